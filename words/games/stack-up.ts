/** What a card says: how to set the game up. */
export const card = {
  "stackUp.setUp.beside": "Mark {full, number} spots side by side. {cm, number} cm apart.",
  "stackUp.setUp.behind": "Mark {full, number} spots, each {cm, number} cm farther back.",
  "stackUp.setUp.front": "Mark {full, number} spots, each {cm, number} cm nearer.",
  "stackUp.setUp.one": "Start with only pin 1.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "stackUp.send":
    "{left, plural, one {# pin is standing.} other {# pins are standing.}}{sends, plural, =1 {} other { {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Try}} {send, number} of {sends, number}.}}{line, plural, =0 {} other { From line #.}}",
  "stackUp.stand": "Set up {pins, plural, one {# pin} other {# pins}}.",
  "stackUp.end": "The go is over.",
  "stackUp.end.full": "The full row is down!",
  "stackUp.summary":
    "Up to {full, number} pins, {sends, plural, one {# {one}} other {# {many}}} a round{rounds, plural, =0 {} one {, # round} other {, # rounds}}",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.stackUp": "Stack-up",
  "pattern.stackUp.how": "When the whole row falls, add a pin. When it does not, take one away.",
  "knob.byRounds": "fewest rounds",
  "knob.byRow": "the longest row",
  "knob.byFelled": "pins knocked down",
  "knob.roundsCap": "Rounds per go",
  "knob.sendsRound": "{Many} per round",
  "knob.firstEnds": "Missing the single pin ends the go",
  "knob.fullRow": "After the full row",
  "knob.fullStop": "the go ends",
  "knob.fullAgain": "start again, one line farther back",
  "knob.full": "Pins in the full row",
  "knob.grow": "The next pin stands",
  "knob.back": "Distance between lines",
  "knob.rowOwn": "each has a row of their own",
  "knob.rowShared": "one shared row: each scores what they knock down",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.roundsCap": "A go has *{value, plural, one {# round} other {# rounds}}*.",
  "rule.roundsCap.none": "There is *no limit* on rounds.",
  "rule.sendsRound": "A round has *{value, plural, one {# {one}} other {# {many}}}*.",
  "rule.firstEnds.yes": "Missing the single pin *ends the go*.",
  "rule.firstEnds.no": "Missing the single pin *changes nothing*.",
  "rule.fullRow": "After the full row, *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.stackUp":
    "Stand one pin up. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at every pin that is standing. If all of them fall, add one for the next round. If not, take one away, but always leave one.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Start with one pin; a round is a few attempts. If the whole row falls, one more pin stands beside, behind or in front. If not, one is taken away. What counts is the fewest rounds to the full row, the longest row, pins knocked down, or time. After the full row the go ends, or starts again one line farther back. Head to head: a row each, or one shared row.";

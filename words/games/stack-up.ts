/** Sentences of this game alone; they come with it. */
export const words = {
  "stackUp.send":
    "{left, plural, one {# pin is standing.} other {# pins are standing.}}{sends, plural, =1 {} other { {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Try}} {send, number} of {sends, number}.}}{line, plural, =0 {} other { From line #.}}",
  "stackUp.stand": "Set up {pins, plural, one {# pin} other {# pins}}.",
  "stackUp.end": "The go is over.",
  "stackUp.end.full": "The full row is down!",
  "stackUp.summary":
    "Up to {full, number} pins, {sends, plural, one {# {one}} other {# {many}}} a round{rounds, plural, =0 {} one {, # round} other {, # rounds}}",
};

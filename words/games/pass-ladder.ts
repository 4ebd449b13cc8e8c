/** What a card says: how to set the game up. */
export const card = {
  "passLadder.setUp.chase": "Run only where the way is clear.",
  "passLadder.setUp.pair": "One of you stands at spot 1.",
  "passLadder.setUp.container": "Put it at spot 1. It moves with you.",
  "together.ladder": "One is at the line, one at the spot.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "passLadder.chase":
    "Spot {mark, number}: {verb, select, throw {toss} push {toss} kick {kick} slide {slide} hit {hit} other {roll}}, turn, run. {left, number} to go.",
  "passLadder.pair": "Spot {mark, number}: pass and catch. {left, number} to go.",
  "passLadder.container": "Spot {mark, number}: get it in. {left, number} to go.",
  "passLadder.end": "The go is over.",
  "passLadder.end.top": "You passed every spot!",
  "passLadder.summary.chase":
    "{marks, plural, one {# spot} other {# spots}}, run after it{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "passLadder.summary.pair":
    "{marks, plural, one {# spot} other {# spots}}, pass and catch{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "passLadder.summary.container":
    "{marks, plural, one {# spot} other {# spots}}, into a container{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.waysMark": "One for each spot, in turn. If you choose none, the action from Aim is used throughout.",
  "knob.thingsMark": "One for each spot, in turn. If you choose none, there is only one object. Add more in Kit.",
  "pattern.passLadder": "Pass ladder",
  "pattern.passLadder.how": "Spots at growing distance: enough clean passes at one open the next.",
  "knob.passWay": "Who catches?",
  "knob.passChase": "the child: roll or toss, turn, run",
  "knob.passPair": "a partner at the spot",
  "knob.passContainer": "a container at the spot",
  "knob.passTurn": "Turn before running",
  "knob.passTurnHint": "A full turn on the spot takes about a second.",
  "knob.bounceCatch": "One bounce allowed before the catch",
  "knob.passes": "Clean passes needed at each spot",
  "knob.passRepeat": "starts this spot again",
  "knob.passStay": "changes nothing",
  "knob.passBack": "moves back one spot",
  "knob.byMarks": "spots passed",
  "knob.byPasses": "clean passes",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.passTurn": "Turn for *{value, plural, one {# second} other {# seconds}}* before running.",
  "rule.passes": "*{value, plural, one {# clean pass opens} other {# clean passes open}}* the next spot.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.passLadder":
    "Start at the first spot. Pass it and catch it. After enough clean passes, go on to the next spot.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Spots at growing distance; enough clean passes at one open the next. Alone: roll, turn, run, and pick it up while it rolls; or toss it up ahead and run under it. With a partner: pass and catch, changing places at each spot. Or a container at the spot does the catching. A drop starts the spot again, changes nothing, or moves back one spot.";

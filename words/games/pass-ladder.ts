/** Sentences of this game alone; they come with it. */
export const words = {
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

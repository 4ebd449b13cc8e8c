/** Sentences of this game alone; they come with it. */
export const words = {
  "passLadder.chase":
    "Mark {mark, number}: {verb, select, throw {toss} push {toss} kick {kick} slide {slide} hit {hit} other {roll}}, turn, run. {left, number} to go.",
  "passLadder.pair": "Mark {mark, number}: send and catch. {left, number} to go.",
  "passLadder.container": "Mark {mark, number}: send it in. {left, number} to go.",
  "passLadder.end": "The go is over.",
  "passLadder.end.top": "You passed every mark!",
  "passLadder.summary.chase":
    "{marks, plural, one {# mark} other {# marks}}, run after it{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "passLadder.summary.pair":
    "{marks, plural, one {# mark} other {# marks}}, send and catch{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "passLadder.summary.container":
    "{marks, plural, one {# mark} other {# marks}}, sent in{sends, plural, =0 {} one {, # send} other {, # sends}}",
};

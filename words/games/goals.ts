/** Sentences of this game alone; they come with it. */
export const words = {
  "goals.middle": "Begin in the middle. Yours is the ball.",
  "goals.middle.any": "Begin in the middle. Both wait for the start.",
  "goals.bringIn": "Bring the ball in.",
  "goals.bringIn.any": "Bring the ball in.",
  "goals.there": "Yours is the ball, right there.",
  "goals.there.any": "Play on from there.",
  "goals.again": "Play that again.",
  "goals.again.any": "Play that again.",
  "goals.shot": "A free shot. The others stand back.",
  "goals.half": "Change ends. Ready? Press start.",
  "goals.alone": "Round the middle, then shoot. Count each goal.",
  "goals.end.reached": "{count, plural, one {# goal: that is it!} other {# goals: that is it!}}",
  "goals.end.bell": "Time is up.",
  "goals.summary": "First to {points, plural, one {# goal} other {# goals}}",
  "goals.summary.bell":
    "Most goals in {halves, plural, one {{minutes, number} min} other {# halves of {minutes, number} min}}",
  "refused.shotFirst": "The free shot comes first.",
  "refused.noShot": "There is no free shot now.",
  "refused.whoseOut": "Say first who it was.",
  "refused.noFoul": "That is no foul here.",
};

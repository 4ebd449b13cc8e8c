/** Sentences of this game alone; they come with it. */
export const words = {
  "goals.middle": "Start in the middle. It's your ball.",
  "goals.middle.any": "Start in the middle. Wait for the signal.",
  "goals.bringIn": "Bring the ball in.",
  "goals.bringIn.any": "Bring the ball in.",
  "goals.there": "It's your ball, right there.",
  "goals.there.any": "Play on from there.",
  "goals.again": "Play that again.",
  "goals.again.any": "Play that again.",
  "goals.shot": "A free shot. The others stand back.",
  "goals.half": "Change ends. Ready? Press Start.",
  "goals.alone": "Go round the middle, then shoot.",
  "goals.end.reached": "{count, plural, one {# goal: you did it!} other {# goals: you did it!}}",
  "goals.end.bell": "Time is up.",
  "goals.summary": "First to {points, plural, one {# goal} other {# goals}}",
  "goals.summary.bell":
    "Most goals in {halves, plural, one {{minutes, number} min} other {# halves of {minutes, number} min}}",
  "refused.shotFirst": "Take the free shot first.",
  "refused.noShot": "There is no free shot now.",
  "refused.whoseOut": "Say who it was first.",
  "refused.noFoul": "That is not a foul here.",
};

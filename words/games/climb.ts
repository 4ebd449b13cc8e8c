/** Sentences of this game alone; they come with it. */
export const words = {
  "climb.target":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} the {label}.",
  "climb.line":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} the {label} from line {line, number}.",
  "climb.forfeit": "{dose, number} {exercise} first. Then play on.",
  "climb.end.top": "You reached the top!",
  "climb.end.spent": "You have used all your {many}.",
  "climb.summary.points":
    "{tries, plural, =0 {No limit} one {# {one}} other {# {many}}}, {first, plural, one {# point} other {# points}} a target{growth, plural, =0 {} other {, # more each}}",
  "climb.summary.tries": "{tries, plural, =0 {No limit} one {# {one}} other {# {many}}}, fewest {many}",
  "climb.summary.time": "{tries, plural, =0 {No limit} one {# {one}} other {# {many}}}, fastest",
  "refused.noForfeit": "No exercise is due now.",
  "refused.forfeitFirst": "Do the {exercise} first.",
};

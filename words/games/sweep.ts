/** Sentences of this game alone; they come with it. */
export const words = {
  "refused.whichTouched": "Say which ones it touched.",
  "sweep.send":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} any target. {left, number} to go.",
  "sweep.last":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} the last one: the {label}.",
  "sweep.end.all": "You hit them all!",
  "sweep.end.spent": "You have used all your {many}.",
  "sweep.summary.sends": "All {targets, number}, fewest {many}{sends, plural, =0 {} other {, # at most}}",
  "sweep.summary.points":
    "{targets, plural, one {# target} other {# targets}}, for points{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "sweep.summary.time": "All {targets, number}, fastest{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "refused.carriedAway": "{label} has been carried away already.",
};

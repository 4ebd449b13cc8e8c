/** Sentences of this game alone; they come with it. */
export const words = {
  "refused.whichTouched": "Say which ones it touched.",
  "sweep.send":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Send it at}} any of them. {left, number} to go.",
  "sweep.last":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Send it at}} the last one: the {label}.",
  "sweep.end.all": "All of them are hit!",
  "sweep.end.spent": "No more sends.",
  "sweep.summary.sends": "All {targets, number}, fewest sends{sends, plural, =0 {} other {, # at most}}",
  "sweep.summary.points":
    "{targets, plural, one {# target} other {# targets}}, for points{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "sweep.summary.time": "All {targets, number}, fastest{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "refused.carriedAway": "{label}: that one is carried away already.",
};

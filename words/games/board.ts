/** Sentences of this game alone; they come with it. */
export const words = {
  "board.thing": "Say what you will use.",
  "board.free":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} any target you like.",
  "board.way": "How will you do it?",
  "board.call": "Which target? Say it first.",
  "board.at":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} the {label}.",
  "board.spot": "Which line will you use?",
  "board.from":
    "Line {spot, number}. {verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} the {label}.",
  "board.end": "The go is over.",
  "board.end.full": "Every target has counted!",
  "board.summary.targets":
    "{count, plural, one {# target} other {# targets}} for points{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "board.summary.spots":
    "{count, plural, one {# line} other {# lines}} for points{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "refused.usedUp": "That target has counted already.",
  "refused.callFirst": "Say which target first.",
  "refused.spotFirst": "Choose your line first.",
};

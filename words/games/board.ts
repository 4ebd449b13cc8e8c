/** Sentences of this game alone; they come with it. */
export const words = {
  "board.thing": "Say with what.",
  "board.free":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Send it at}} any one you like.",
  "board.way": "How will you send it?",
  "board.call": "Which one will it be? Say it first.",
  "board.at":
    "{verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Send it at}} the {label}.",
  "board.spot": "Which line will you send from?",
  "board.from":
    "Line {spot, number}. {verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Send it at}} the {label}.",
  "board.end": "The go is over.",
  "board.end.full": "Each one has counted!",
  "board.summary.targets":
    "{count, plural, one {# target} other {# targets}} for points{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "board.summary.spots":
    "{count, plural, one {# line} other {# lines}} for points{sends, plural, =0 {} one {, # send} other {, # sends}}",
  "refused.usedUp": "That one has counted already.",
  "refused.callFirst": "Say first which one it will be.",
  "refused.spotFirst": "Choose your line first.",
};

/** What a card says: how to set the game up. */
export const card = {};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.choiceThing": "call the object first",
  "knob.choiceAction": "call the action first",
  "knob.thingsCalled":
    "The player calls one of these before each {one}. If objects are fetched at the end, each is used once.",
  "knob.waysCalled": "The player calls one of these before each {one}.",
  "pattern.board": "Board",
  "pattern.board.how": "Targets worth different points, or lines to play from: near and sure, or far and worth more.",
  "knob.once": "Each target counts only once",
  "knob.onceHint": "After that it is used up.",
  "knob.fullBonus": "Bonus for hitting them all",
  "knob.fullBonusHint": "Given once, when every target has counted.",
  "knob.choice": "Choosing a target",
  "knob.choiceFree": "any hit counts",
  "knob.choiceCalled": "call the target first",
  "knob.fetched": "Objects are fetched",
  "knob.fetchedEach": "after each {one}",
  "knob.fetchedEnd": "at the end: as many objects as {many}",
  "knob.board": "Points are for",
  "knob.boardTargets": "the target that is hit",
  "knob.boardSpots": "the line you play from",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.once.yes": "Each target counts *only once*.",
  "rule.once.no": "Each target counts *every time it is hit*.",
  "rule.fullBonus": "Hitting every target earns *{value, plural, one {# point} other {# points}}* more.",
  "rule.choice": "Choosing a target: *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.board":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at any target you like. Each hit scores the points of its target.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Targets worth different points, or one target and lines that are worth more the farther they are. Any hit counts, or only the target, object or action that was called first. Targets count every time or only once, with a bonus for all of them. A set number of attempts, or a time limit.";

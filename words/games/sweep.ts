/** What a card says: how to set the game up. */
export const card = {
  "sweep.setUp.collect": "Carry back each one that you hit.",
  "sweep.setUp.cross": "Leave what you hit. Cross it out.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.touching": "If several are touched",
  "knob.touchingFirst": "the first one counts",
  "knob.touchingAll": "they all count",
  "pattern.sweep": "Sweep",
  "pattern.sweep.how": "Hit every target, in any order, and carry each one back until none is left.",
  "knob.lastBonus": "Bonus for the last target",
  "knob.lastBonusHint": "It goes to the player who hits it.",
  "knob.whenHit": "A target that has been hit",
  "knob.carryBack": "is carried back",
  "knob.crossOut": "stays and is crossed out",
  "knob.heapOwn": "each has targets of their own",
  "knob.heapShared": "shared targets: each keeps what they hit",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.touching": "If several are touched, *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.sweep":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at any target you like. A target you hit is done. The go ends when all are done, or when your {many} are used up.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Hit every target, in any order. A target that is hit is carried back, or stays and is crossed out. If several are touched, the first one counts, or all. What counts is the fewest attempts, points with a bonus for the last target, or time. Head to head, each side has its own targets, or all share them and keep what they hit. *Trains* choosing: the sure one or the far one.";

/** What a card says: how to set the game up. */
export const card = {};

/** What the play screen says; it comes with the game's code. */
export const play = {
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

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.first": "Points for the first target",
  "knob.growth": "Extra points for each target after it",
  "knob.growthHint": "With 0, every target is worth the same.",
  "knob.forfeit": "After too many misses",
  "knob.none": "nothing happens",
  "knob.misses": "Misses allowed",
  "knob.exerciseOr": "Alternative exercise",
  "knob.exerciseOr2": "Another alternative",
  "knob.exerciseSeated": "Seated version",
  "knob.forfeitCap": "Maximum exercises per go",
  "knob.forfeitNoCap": "no limit",
  "knob.nearest": "nearest first",
  "knob.farthest": "farthest first",
  "knob.listed": "as listed",
  "knob.ladder": "After a hit",
  "knob.ladderTargets": "on to the next target",
  "knob.ladderLine": "the line moves back",
  "pattern.climb": "Climb",
  "pattern.climb.how": "Targets in order, nearest first. A hit moves you on; a miss means trying again.",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.ladder": "After a hit: *{value}*.",
  "rule.first": "The first target is worth *{value, plural, one {# point} other {# points}}*.",
  "rule.growth": "Each target after it is worth *{value}* more.",
  "rule.forfeit": "After too many misses: *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.climb":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at the first target. If you hit it, go on to the next one. If you miss, try the same one again. The go ends at the last target, or when your {many} are used up.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Targets in a fixed order, or one target and a line that moves back. A hit moves you on; a miss means trying again. What counts is points, the fewest attempts, or the fastest time. After too many misses, the child may have to do an exercise. *Trains* aiming at targets that get harder.";

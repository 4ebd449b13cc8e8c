/** What a card says: how to set the game up. */
export const card = {
  "goals.setUp": "Your goal is {near, number} cm wide. Theirs is {far, number} cm.",
  "goals.setUp.riding": "Ride a broom or a cushion. One hand holds it.",
  "goals.foul.high": "No lifting above the knee.",
  "goals.foul.hands": "No hands on the ball.",
  "goals.foul.feet": "No feet on the ball.",
  "goals.foul.push": "No pushing.",
  "together.goals": "Each side starts at its own goal.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
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
  "goal.for": "Goal for {who}",
  "goal.out": "The ball went out",
  "goal.whoOut": "Who put it out?",
  "goal.whoFoul": "Who made the foul?",
  "goal.in": "It went in",
  "goal.missed": "It missed",
  "goal.foul.high": "Foul: too high",
  "goal.foul.hands": "Foul: hands",
  "goal.foul.feet": "Foul: feet",
  "goal.foul.push": "Foul: pushing",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.goals": "Goals",
  "pattern.goals.how": "Two sides, two goals: first to a score, or most goals in the time. Also alone.",
  "knob.goalsWidth": "Width of the field",
  "knob.fieldLength": "Distance between the goals",
  "knob.farGoal": "Width of the far goal",
  "knob.nearGoal": "Width of the near goal",
  "knob.halves": "Halves",
  "halves.1": "one half",
  "halves.2": "two halves, changing ends",
  "knob.afterGoal": "After a goal",
  "afterGoal.middle": "either side may start from the middle",
  "afterGoal.conceded": "the side that let it in starts",
  "knob.outOfPlay": "When the ball goes out",
  "outOfPlay.other": "the other side brings it in",
  "outOfPlay.middle": "it starts from the middle",
  "outOfPlay.again": "the move is played again",
  "knob.fouls": "Fouls",
  "fouls.none": "none",
  "fouls.high": "lifting too high",
  "fouls.hands": "hands",
  "fouls.feet": "feet",
  "fouls.stick": "lifting too high, feet",
  "fouls.all": "all of them",
  "knob.penalty": "After a foul, the other side gets",
  "penalty.there": "the ball at that place",
  "penalty.middle": "the ball in the middle",
  "penalty.shot": "a free shot",
  "knob.riding": "Riding: one hand holds a broom or a cushion",
  "knob.aloneBy": "When playing alone",
  "aloneBy.bell": "as many goals as possible in the time",
  "aloneBy.count": "a set number of goals, against the clock",
  "knob.aloneSeconds": "Time when playing alone",
  "knob.aloneGoals": "Goals when playing alone",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.halves": "The game has *{value}*.",
  "rule.afterGoal": "After a goal: *{value}*.",
  "rule.outOfPlay": "When the ball goes out: *{value}*.",
  "rule.fouls": "Fouls: *{value}*.",
  "rule.penalty": "After a foul, the other side gets *{value}*.",
  "rule.riding.yes": "Everyone plays *riding*: one hand holds a broom or a cushion.",
  "rule.riding.no": "Everyone plays *on foot*.",
  "rule.aloneBy": "A child alone plays for *{value}*.",
  "rule.aloneSeconds": "Alone, time is up after *{value, plural, one {# second} other {# seconds}}*.",
  "rule.aloneGoals": "Alone, the child needs *{value, plural, one {# goal} other {# goals}}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.goals":
    "Two goals face each other. Push the ball into the other goal to score 1. Alone, score as many goals as you can.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Two goals, each as wide as you set it. First to a score, or most goals in the time, in one half or two with a change of ends. You choose what happens when the ball goes out and after a foul. Riding: one hand holds a broom or a cushion. Alone: round the middle, then shoot, as often as possible or a set number against the clock. *Trains* control on the move.";

/** What a card says: how to set the game up. */
export const card = {
  "tally.setUp.shuttle": "Keep a spare one at your line.",
  "tally.setUp.weave": "Gate {gate, number}: four markers, a big step apart.",
  "tally.setUp.circle": "Gate {gate, number}: one marker to go round.",
  "tally.setUp.gap": "Gate {gate, number}: two markers, a shoe apart.",
  "tally.setUp.stop": "Gate {gate, number}: a spot to stop on.",
  "tally.setUp.shot": "Gate {gate, number}: a line to shoot from.",
  "tally.setUp.wall": "Mark a spot {cm, number} cm from the wall.",
  "tally.setUp.room": "Clear a space to move in.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "tally.keepUp": "Keep it up{hand, select, other {} alternate {, hands in turn}}. Count each touch.",
  "tally.rebound": "Off the wall, onto the spot. Count hits.",
  "tally.shuttle": "Hit it, run, pass it back. Count hits.",
  "tally.course": "Once round the course is one lap.",
  "tally.catch": "Toss it and catch it. Count each catch.",
  "tally.exercise": "Do {exercise}. Count each one.",
  "tally.summary.catch": "Catches, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.summary.exercise":
    "{exercise}, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.summary.shuttle":
    "There and back, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.summary.course":
    "Laps of a course, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.total": "Stop! How many was that?",
  "tally.end": "{rounds, plural, one {Time is up.} other {# rounds done.}}",
  "tally.summary.keepUp":
    "Touches, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.summary.rebound":
    "Hits off the wall, {rounds, plural, one {{seconds, number} s} other {# rounds of {seconds, number} s}}",
  "tally.summary.both": "{rounds, plural, one {# round} other {# rounds}}, one task each",
  "refused.tooQuick": "Nobody can do more than {most, number} so fast.",
  "refused.bellFirst": "Play on until time is up.",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.tallyRounds": "Rounds",
  "knob.taskRebound": "rebounds onto the landing spot",
  "knob.roundSeconds": "Length of the round",
  "knob.rest": "Rest afterwards",
  "knob.keepRounds": "Which rounds count?",
  "knob.keepSum": "all rounds, added up",
  "knob.keepBest": "the best round",
  "knob.wallAction": "Action",
  "knob.landing": "Landing spot to wall",
  "knob.markSize": "Size of the landing spot",
  "knob.wallDistance": "Line to wall",
  "pattern.tally": "Tally",
  "pattern.tally.how": "How many before time is up: touches, rebounds, laps, catches.",
  "knob.taskShuttle": "passes there and back",
  "knob.taskCourse": "laps of a course",
  "knob.taskCatch": "objects tossed up and caught",
  "knob.taskExercise": "repeats of a short exercise",
  "knob.exerciseCounted": "Which exercise",
  "knob.exerciseEach": "Seconds for one",
  "knob.shuttleAction": "Action there and back",
  "knob.courseAction": "How the ball is moved",
  "knob.gates": "Gates",
  "knob.gate": "Gate",
  "knob.gateMetres": "Distance to the end of the gate",
  "gate.weave": "weave in and out",
  "gate.circle": "go round once",
  "gate.gap": "go through a gap",
  "gate.stop": "stop on a spot",
  "gate.shot": "shoot from a line",
  "knob.courseMiss": "A missed gate",
  "knob.missGate": "is done again",
  "knob.missLap": "starts the lap again",
  "action.underarmRoll": "Underarm roll",
  "action.underarmThrow": "Underarm throw",
  "action.overarmThrow": "Overarm throw",
  "action.pushThrow": "Two-handed push throw",
  "action.kick": "Kick along the floor",
  "action.dribbleFoot": "Dribble with the feet",
  "action.dribbleStick": "Dribble with a stick",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.tallyRounds": "The game has *{value, plural, one {# round} other {# rounds}}*.",
  "rule.exerciseCounted": "The exercise is *{value}*.",
  "rule.exerciseEach": "One takes about *{value, plural, one {# second} other {# seconds}}*.",
  "rule.roundSeconds": "A round lasts *{value, plural, one {# second} other {# seconds}}*.",
  "rule.rest": "Rest for *{value, plural, one {# second} other {# seconds}}* afterwards.",
  "rule.keepRounds": "What counts: *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.tally":
    "Start the clock. Count as many as you can until time is up. If you drop it, fetch it and go on counting.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "How many before time is up: touches that keep something up, rebounds onto a spot, passes there and back, laps of a course, catches, or a short exercise. Rounds can have a task each. Players tap each one, or type the number afterwards.";

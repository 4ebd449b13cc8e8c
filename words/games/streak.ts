/** What a card says: how to set the game up. */
export const card = {};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "streak.touch":
    "{stage, plural, =0 {} other {Stage #. }}Keep it up{hand, select, other {} alternate {, hands in turn} both {, with both hands}}{posture, select, kneeling {, kneeling} sitting {, sitting} other {}}.{left, plural, =0 {} other { # more in a row.}}",
  "streak.catch":
    "{stage, plural, =0 {} other {Stage #. }}Toss and catch{hand, select, other {} alternate {, hands in turn} both {, with both hands}}{posture, select, kneeling {, kneeling} sitting {, sitting} other {}}.{left, plural, =0 {} other { # more in a row.}}",
  "streak.clap":
    "{stage, plural, =0 {} other {Stage #. }}Toss, clap, catch{posture, select, kneeling {, kneeling} sitting {, sitting} other {}}.{left, plural, =0 {} other { # more in a row.}}",
  "streak.touchFloor":
    "{stage, plural, =0 {} other {Stage #. }}Toss, touch the floor, catch.{left, plural, =0 {} other { # more in a row.}}",
  "streak.turn":
    "{stage, plural, =0 {} other {Stage #. }}Toss, turn round once, catch.{left, plural, =0 {} other { # more in a row.}}",
  "streak.balance":
    "{stage, plural, =0 {} other {Stage #. }}Balance it{posture, select, kneeling {, kneeling} sitting {, sitting} other {}}. Count the seconds.{left, plural, =0 {} other { # more in a row.}}",
  "streak.carry":
    "{stage, plural, =0 {} other {Stage #. }}Carry it. Count the steps.{left, plural, =0 {} other { # more in a row.}}",
  "streak.total": "Stop! How far did this run get?",
  "streak.end": "The go is over.",
  "streak.end.all": "You passed every stage!",
  "streak.summary.run": "Longest run{tries, plural, =0 {} one {, # drop} other {, # drops}}",
  "streak.summary.stages":
    "{stages, plural, one {# stage} other {# stages}}{tries, plural, =0 {} one {, # drop} other {, # drops}}",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.taskSeconds": "balance, in seconds",
  "knob.taskSteps": "carry, in steps",
  "knob.handBoth": "both hands",
  "knob.thing": "Object",
  "pattern.streak": "Streak",
  "pattern.streak.how": "The longest run without a drop, or enough in a row to open the next stage.",
  "doing.catch": "toss and catch",
  "doing.clap": "toss, clap, catch",
  "doing.touchFloor": "toss, touch the floor, catch",
  "doing.turn": "toss, turn once, catch",
  "knob.inRow": "Number in a row",
  "knob.toTheEnd": "as many as possible",
  "knob.inAll": "Count the total instead",
  "knob.inAllHint": "A drop takes none away.",
  "knob.posture": "Posture",
  "knob.standing": "standing",
  "knob.kneeling": "kneeling",
  "knob.sitting": "sitting",
  "knob.stages": "Stages",
  "knob.dropResets": "starts the run again",
  "knob.dropCosts": "takes one away",
  "knob.dropEnds": "ends the go",
  "knob.dropsAllowed": "Drops allowed per go",
  "knob.stays": "A passed stage stays passed",
  "knob.staysHint": "Otherwise a drop goes back one stage.",
  "knob.byRun": "the longest run",
  "knob.byStage": "stages passed",
  "knob.byRuns": "best runs, added up",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.stages": "The game has *{value, plural, one {# stage} other {# stages}}*.",
  "rule.inRow": "You need *{value, plural, one {#} other {# in a row}}* to pass it.",
  "rule.inRow.none": "Go on for *as many as possible*.",
  "rule.inAll.yes": "They may be counted *in total*.",
  "rule.inAll.no": "They must come *in a row*.",
  "rule.posture": "Play *{value}*.",
  "rule.thing": "Use *{value}*.",
  "rule.dropsAllowed": "A go has *{value, plural, one {# drop} other {# drops}}*.",
  "rule.dropsAllowed.none": "There is *no limit* on drops.",
  "rule.stays.yes": "A stage passed *stays passed*.",
  "rule.stays.no": "A drop takes you *back to the stage before*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.streak": "Count in a row. When you reach the number, go on to the next stage.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "The longest run without a drop, or enough in a row to open the next stage. Each stage has its task (touches, toss and catch, with a clap, the floor or a turn, seconds of balance, steps of carrying), hand and posture. A drop starts the run again, takes one away, or ends the go. As a team, players alternate.";

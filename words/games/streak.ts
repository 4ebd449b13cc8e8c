/** Sentences of this game alone; they come with it. */
export const words = {
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

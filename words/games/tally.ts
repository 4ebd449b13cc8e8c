/** Sentences of this game alone; they come with it. */
export const words = {
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

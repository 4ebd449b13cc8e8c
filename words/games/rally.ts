/** What a card says: how to set the game up. */
export const card = {
  "rally.setUp.line": "Put a line between the two courts.",
  "rally.setUp.net": "Hang something {cm, number} cm high between the courts.",
  "rally.setUp.rope": "Tie a rope {cm, number} cm up between chairs.",
  "rally.setUp.wall": "Use a wall with nothing on it.",
  "rally.counts.in":
    "On a line is in. {bounces, plural, =0 {No bounce is allowed.} one {# bounce is allowed.} other {# bounces are allowed.}}",
  "rally.counts.out":
    "On a line is out. {bounces, plural, =0 {No bounce is allowed.} one {# bounce is allowed.} other {# bounces are allowed.}}",
  "together.halves": "Each side stays in its own half.",
  "together.wall": "Stand side by side and face the wall.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "rally.serve": "{how, select, bounce {Bounce it, then serve.} other {Serve.}} Who wins the rally?",
  "rally.second": "That was a fault. Serve again.",
  "rally.begin": "Start the rally. Count each touch.",
  "rally.keep": "Keep it going{over, select, wall { off the wall} other {}}.",
  "rally.end.won": "You did it!",
  "rally.end.bell": "Time is up.",
  "rally.end.longest": "{count, plural, one {The longest rally had # touch.} other {The longest rally had # touches.}}",
  "rally.summary": "First to {points, number}{games, plural, one {} other {, best of # games}}",
  "refused.noSecond": "There is no second serve now.",
  "point.for": "Point for {who}",
  "point.fault": "Fault",
  "point.let": "Play it again (let)",
  "point.why": "Why? You can skip this.",
  "point.why.out": "out",
  "point.why.net": "into the net or rope",
  "point.why.bounces": "too many bounces",
  "point.why.missed": "missed",
  "point.why.serve": "bad serve",
  "point.touches": "How many touches, if you counted?",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "pattern.rally": "Rally",
  "pattern.rally.how":
    "Over a line, a net, a rope or off a wall: play for points, or keep the longest rally going together.",
  "knob.over": "The ball goes over",
  "over.line": "a line",
  "over.net": "a net",
  "over.rope": "a rope",
  "over.wall": "nothing: it bounces off a wall",
  "knob.netHeight": "Height of the net or rope",
  "knob.courtNear": "Width of this side's court",
  "knob.courtFar": "Width of the other side's court",
  "knob.courtLength": "Length of each court",
  "knob.leadTwo": "Win by two clear points",
  "knob.bestOf": "Match length",
  "bestOf.1": "one game",
  "bestOf.3": "best of 3",
  "bestOf.5": "best of 5",
  "knob.bounces": "Bounces allowed",
  "knob.lines": "A ball on the line is",
  "knob.linesIn": "in",
  "knob.linesOut": "out",
  "knob.servedBy": "Who serves?",
  "serve.alternate": "both in turn",
  "serve.winner": "the side that won the point",
  "serve.loser": "the side that lost the point",
  "serve.fixed": "always the same side",
  "knob.serveEvery": "Points before the serve changes",
  "knob.serveHow": "The serve is",
  "serve.hand": "hit straight from the hand",
  "serve.bounce": "bounced first",
  "knob.second": "Second serve after a fault",
  "knob.rallies": "Rallies, as a team or alone",
  "knob.told": "What the family records",
  "told.points": "who won the point",
  "told.why": "who won it, and why",
  "told.touches": "who won it, and how many touches",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.over": "The ball goes over *{value}*.",
  "rule.leadTwo.yes": "You must win *by two clear points*.",
  "rule.leadTwo.no": "You win *as soon as you reach the score*.",
  "rule.bestOf": "A match is *{value}*.",
  "rule.bounces": "*{value, plural, =0 {No bounce} one {# bounce} other {# bounces}}* allowed before playing it back.",
  "rule.lines": "A ball on the line is *{value}*.",
  "rule.servedBy": "Who serves: *{value}*.",
  "rule.serveEvery": "The serve changes after *{value, plural, one {# point} other {# points}}*.",
  "rule.serveHow": "The serve is *{value}*.",
  "rule.second.yes": "After a fault, you get *a second serve*.",
  "rule.second.no": "A fault *loses the point*.",
  "rule.rallies": "As a team or alone, there {value, plural, one {is *# rally*} other {are *# rallies*}}.",
  "rule.told": "The family records *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.rally":
    "Play it over, back and forth. If you do not get it back, the other side scores. As a team or alone, count the touches of your longest rally.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Over a line, a net, a rope, or off a wall. Two sides play for points: first to a score, by two clear points if you like, best of several games, or until time is up. You choose who serves and how. A tap says who won the rally; players may add why, or how many touches it had. As a team or alone, the longest rally counts. *Trains* sending it back, and being ready.";

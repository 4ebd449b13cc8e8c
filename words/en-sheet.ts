/** Sentences that only a printed sheet has: the rules of each game, for a home where nobody can look them up. */
export const enSheet: Record<string, string> = {
  "sheet.fact": "{name}: {value}.",
  "sheet.part": "{number, number}: {what}.",
  "sheet.yes": "yes",
  "sheet.no": "no",
  "sheet.brings": "{what} {points, number}",
  "sheet.band": "band {number, number}",
  "sheet.players": "Who can play: {modes}.",
  "sheet.mode.alone": "one child alone",
  "sheet.mode.turns": "two or more taking turns",
  "sheet.mode.against": "two or more head to head",
  "sheet.mode.relay": "two or more as a team",
  "sheet.seldom.team": "As a team, take turns. A touch or catch out of turn is a drop.",
  "sheet.seldom.void": "If the jack goes outside during play, the round does not count. Play it again.",
  "sheet.seldom.farthest": "With three sides, the side farthest from the jack leads the next round.",
  "sheet.seldom.race": "Head to head, the race ends as soon as one side finishes.",
  "sheet.seldom.forced": "Only a runner who has to run can be out at first.",
  "sheet.seldom.bump": "If one bump makes a line for both sides, the thrower gets it.",
  "sheet.seldom.shared": "On a shared row, each side has its own rounds.",
  "sheet.how.climb":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at the first target. Hit it: go on to the next one. Miss it: try the same one again. It ends at the last target, or when your {many} are used up.",
  "sheet.how.bands":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} one piece at a time. The band it stops in gives its points. When all pieces lie, add them up and start the next round.",
  "sheet.how.pins":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at the pins. Count the pins that are down. When the {many} of a frame are used up, stand them all up again.",
  "sheet.how.threeLine":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} a piece into a free square. Three in a row win: across, down or slanting. In a taken square or outside: take it and try again.",
  "sheet.how.tally":
    "Start the clock. Count as many as you can until it rings. Dropped it? Fetch it and go on counting.",
  "sheet.how.sweep":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at any target you like. What you hit is done. It ends when all are done, or when your {many} are used up.",
  "sheet.how.board":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at any target you like. Each hit brings the points of its target.",
  "sheet.how.stackUp":
    "Stand one pin up. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at all that stand. All down: stand up one more next round. Not all down: take one away, but never the last.",
  "sheet.how.streak": "Count in a row. Reach the number and go on to the next stage.",
  "sheet.how.closest":
    "The jack goes first, between the two lines. Then your pieces. The nearest piece scores 1. Each further piece of that side that beats the other side scores 1 more.",
  "sheet.how.passLadder": "Start at the first mark. Send it and catch it. Enough clean ones: go on to the next mark.",
  "sheet.how.speller":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Send}} at the letters of the word, one after the other. The right letter counts. Then comes the next one.",
  "sheet.how.checklist": "Do the tasks one by one. Tick each time that it works.",
  "sheet.how.rally":
    "Send it over, back and forth. Whoever does not get it back loses the point. Together, or alone: count the touches of the longest rally.",
  "sheet.how.goals":
    "Two goals face each other. Push the ball into the other goal: that is 1. Alone: put it into the goal as often as you can.",
  "sheet.how.swapSquare":
    "Mix the square. Run to it, swap two, run back: that is one trip. When the near row is all one kind, you collect it. Use as few trips as you can.",
  "sheet.how.bases":
    "Hit the ball. Run round the bases in their order. Back home is 1 run. When the ball gets to the stop spot, you stop.",
};

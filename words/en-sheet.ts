/** Sentences that only a printed sheet has: the rules of each game, for a home where nobody can look them up. */
export const enSheet: Record<string, string> = {
  "sheet.fact": "{name}: {value}.",
  "sheet.part": "{number, number}: {what}.",
  "sheet.yes": "yes",
  "sheet.no": "no",
  "sheet.brings": "{what}: {points, number}",
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
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at the first target. If you hit it, go on to the next one. If you miss, try the same one again. The go ends at the last target, or when your {many} are used up.",
  "sheet.how.bands":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Play}} one piece at a time. You score the points of the band it stops in. When all the pieces are down, add them up and start the next round.",
  "sheet.how.pins":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at the pins. Count the pins that are down. When the {many} of a frame are used up, stand all the pins up again.",
  "sheet.how.threeLine":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Land}} a piece into a free square. A full line wins: across, down or diagonal. If it lands in a taken square or outside, pick it up. That {one} is lost.",
  "sheet.how.tally":
    "Start the clock. Count as many as you can until time is up. If you drop it, fetch it and go on counting.",
  "sheet.how.sweep":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at any target you like. A target you hit is done. The go ends when all are done, or when your {many} are used up.",
  "sheet.how.board":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at any target you like. Each hit scores the points of its target.",
  "sheet.how.stackUp":
    "Stand one pin up. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at every pin that is standing. If all of them fall, add one for the next round. If not, take one away, but always leave one.",
  "sheet.how.streak": "Count in a row. When you reach the number, go on to the next stage.",
  "sheet.how.closest":
    "Play the jack first, between the two lines. Then play your pieces. The nearest piece scores 1. Each further piece of that side scores 1 more if it is nearer than all of the other side's.",
  "sheet.how.passLadder":
    "Start at the first spot. Pass it and catch it. After enough clean passes, go on to the next spot.",
  "sheet.how.speller":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Hit} other {Aim}} at the letters of the word, one after the other. When you hit the right letter, go on to the next one.",
  "sheet.how.checklist": "Do the tasks one by one. Tick each one when it works.",
  "sheet.how.rally":
    "Play it over, back and forth. If you do not get it back, the other side scores. As a team or alone, count the touches of your longest rally.",
  "sheet.how.goals":
    "Two goals face each other. Push the ball into the other goal to score 1. Alone, score as many goals as you can.",
  "sheet.how.swapSquare":
    "Shuffle the grid. Run to it, swap two, run back: that is one trip. When the near row is all of one type, collect it. Use as few trips as you can.",
  "sheet.how.bases":
    "Put the ball into play. Run round the bases in order. Getting home scores 1 run. Stop running when the ball reaches the stop spot.",
};

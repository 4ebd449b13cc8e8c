/** What a card says: how to set the game up. */
export const card = {
  "speller.setUp.floor": "Write the letters on paper. Stand them up.",
  "speller.setUp.wall": "Write each letter {wide, number} cm wide. Hang them {cm, number} cm up.",
  "speller.setUp.once": "Stand a fallen card up at once.",
  "speller.setUp.word": "A right card stays down for that word.",
  "speller.setUp.travel": "Stand beside a letter, never on it.",
  "speller.setUp.down": "A right card stays down. A wrong card stands up.",
};

/** What the play screen says; it comes with the game's code. */
export const play = {
  "speller.letter":
    "Word {word, number} of {words, number}. {verb, select, roll {Roll it at} slide {Slide it at} throw {Throw it at} bowl {Bowl it at} push {Push it at} kick {Kick it at} hit {Hit it at} other {Aim at}} {sign}.",
  "speller.write": "Word {word, number} of {words, number}: write it down.",
  "speller.letter.walk": "Word {word, number} of {words, number}. Walk to {sign}.",
  "speller.letter.hop": "Word {word, number} of {words, number}. Hop to {sign}.",
  "speller.letter.crawl": "Word {word, number} of {words, number}. Crawl to {sign}.",
  "speller.letter.dribble": "Word {word, number} of {words, number}. Dribble to {sign}.",
  "speller.next.walk": "Word {word, number} of {words, number}. Walk to letter {letter, number}.",
  "speller.next.hop": "Word {word, number} of {words, number}. Hop to letter {letter, number}.",
  "speller.next.crawl": "Word {word, number} of {words, number}. Crawl to letter {letter, number}.",
  "speller.next.dribble": "Word {word, number} of {words, number}. Dribble to letter {letter, number}.",
  "speller.next": "Word {word, number} of {words, number}. Letter {letter, number}.",
  "speller.end": "The go is over.",
  "speller.end.all": "All words are spelled!",
  "speller.summary":
    "{words, plural, one {# word} other {# words}}{sends, plural, =0 {} one {, # {one}} other {, # {many}}}",
  "refused.cardDown": "That card is down already.",
};

/** What the teacher reads: the game, its fields and their options. */
export const teacher = {
  "knob.waysWord": "One for each word, in turn. If you choose none, the action from Aim is used throughout.",
  "knob.wordList": "Word list",
  "knob.wordListOwn": "the words typed below",
  "words.sounds-s": "first sounds, first readers: sun, sat, pin, tap",
  "words.sounds-m": "first sounds, first readers: mat, man, map, nap",
  "words.rhyme-at": "words that rhyme, first readers: sat, mat, pat, flat, gnat",
  "words.rhyme-op": "words that rhyme, first readers: hop, top, mop, pop",
  "words.animals-1": "animals, first readers: cat, hen, ant, hat",
  "words.animals-2": "animals, getting on: goat, toad, newt, stag",
  "words.animals-3": "animals, further on: otter, stoat, tern, heron",
  "words.kitchen-1": "kitchen, first readers: pan, pot, cup, lid",
  "words.kitchen-2": "kitchen, getting on: plate, apple, leek, kale",
  "words.kitchen-3": "kitchen, further on: kettle, ladle, nettle",
  "words.garden-1": "garden, first readers: bud, bug, mud, sun",
  "words.garden-2": "garden, getting on: seed, weed, reed, rose",
  "words.garden-3": "garden, further on: petal, plant, leaf",
  "words.weather-1": "weather, getting on: rain, wind, warm, dawn",
  "words.weather-2": "weather, further on: storm, mist, moist",
  "words.colours-1": "colours, getting on: red, tan, teal, rose",
  "words.colours-2": "colours, further on: green, teal, orange",
  "words.body-1": "body, first readers: arm, toe, hip, lip",
  "words.body-2": "body, getting on: knee, heel, neck, nose",
  "words.move-1": "moves, first readers: hop, run, spin, hip",
  "words.move-2": "moves, getting on: roll, toss, stop, spot",
  "words.move-3": "moves, further on: stretch, catch, reach",
  "words.school-1": "school bag, getting on: pen, note, test, tape",
  "words.numbers-1": "numbers, getting on: one, ten, nine, net",
  "knob.does": "What to do with each word",
  "knob.doesHint": "One for each word, in turn. If you choose none, every word is aimed at.",
  "knob.doesMore": "Add another way, in turn",
  "does.send": "aim at its letters",
  "does.travel": "go to its letters",
  "does.write": "write it down",
  "knob.travel": "How to get to a letter",
  "travel.walk": "walk",
  "travel.hop": "hop",
  "travel.crawl": "crawl",
  "travel.dribble": "dribble",
  "knob.thingsWord": "One for each word, in turn. If you choose none, there is only one object. Add more in Kit.",
  "pattern.speller": "Speller",
  "pattern.speller.how": "Cards with letters or numbers: hit them in the right order to spell words.",
  "knob.words": "Words, separated by commas (for a sum, type 3 + 4 = 7: the child hits the answer)",
  "knob.shown": "How the word is given",
  "knob.shownWord": "to read",
  "knob.shownVoice": "spoken aloud",
  "knob.shownPicture": "as a picture",
  "knob.shownPrompt": "as a puzzle to work out",
  "knob.wrongCard": "Hitting a wrong card",
  "knob.wrongStays": "changes nothing",
  "knob.wrongCosts": "costs a point",
  "knob.wrongRestarts": "starts the word again",
  "knob.rightCard": "A card that was right",
  "knob.rightCardHint": "If it stays down, every repeated letter needs a card of its own.",
  "knob.rightOnce": "is stood up at once",
  "knob.rightWord": "is stood up after the word",
  "knob.rightDown": "stays down",
  "knob.byLetters": "letters hit",
  "knob.byWords": "words spelled",
  "knob.cards": "Which cards?",
  "knob.cardsAsTheyAre": "as they are",
  "knob.cardsFewest": "the fewest that spell the list",
  "knob.cardsUp": "Height of the cards on the wall",
  "knob.cardsUpHint": "Measured to the lower edge. With 0, they stand on the floor.",
  "knob.cardText": "Letter, number or word",
};

/** The rules as sentences, one for each field; between stars what can be changed. */
export const rules = {
  "rule.wordList": "The words are *{value}*.",
  "rule.words": "The words are *{value}*.",
  "rule.shown": "The word is given *{value}*.",
  "rule.wrongCard": "Hitting a wrong card *{value}*.",
  "rule.rightCard": "A card that was right *{value}*.",
  "rule.travel": "To get to a letter, *{value}*.",
};

/** What only the printed sheet says. */
export const sheet = {
  "sheet.how.speller":
    "{posture, select, sitting {Sit} kneeling {Kneel} other {Stand}} behind the line. {verb, select, roll {Roll} slide {Slide} throw {Throw} bowl {Bowl} push {Push} kick {Kick} hit {Swing} other {Aim}} at the letters of the word, one after the other. When you hit the right letter, go on to the next one.",
};

/** Its part of the page for teachers (docs/patterns.md). */
export const page =
  "Cards with letters, numbers or words, on a wall or on the floor. The word is read, heard, seen as a picture, or worked out (`3 + 4 = 7`: the child hits the answer). A wrong card changes nothing, costs a point, or starts the word again. Any script works. A list that the cards cannot spell is refused, and you are told which card is missing.";

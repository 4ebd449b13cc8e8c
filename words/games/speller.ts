/** Sentences of this game alone; they come with it. */
export const words = {
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

/** Sentences for two homes that play over a call. */
export const enCall = {
  "call.with": "Play on a call with another home",
  "call.rules": "A grown-up sets up the call. Never give your address.",
  "call.rules2": "Nothing is sent. After each turn, read out three signs.",
  "call.yes": "A grown-up says yes",
  "call.code": "Read out:",
  "call.theyCount": "The other home keeps score",
  "call.follow": "The other home keeps score",
  "call.followText": "Type the three signs they read out.",
  "call.type": "Three signs",
  "call.show": "Show the score",
  "call.wrong": "That code has a mistake. Use three signs: letters, or 2 to 9.",
  "call.stands": "We: {ours}. They: {theirs}.",
  "call.both": "Together: {score}.",
  "call.ourTurn": "It is our turn.",
  "call.theirTurn": "It is their turn.",
} as const;

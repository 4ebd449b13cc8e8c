/** Sentences for a device that has no room left to save a go. */
export const enFull = {
  "full.title": "Stop! This device is full.",
  "full.text": "Your last try is not saved yet.",
  "full.free": "Clear old games, then go on",
  "full.freed": "{count, plural, one {# old game} other {# old games}} cleared.",
  "full.stillFull": "This device is still full.",
  "full.playOn": "Play on without saving",
  "full.playOnText": "Hand in before you close this page.",
  "full.showCode": "Show a code for your teacher",
  "full.score": "So far: {score}.",
  "full.code": "Write this code down for your teacher:",
} as const;

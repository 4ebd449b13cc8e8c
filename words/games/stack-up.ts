/** Sentences of this game alone; they come with it. */
export const words = {
  "stackUp.send":
    "{left, plural, one {# pin stands.} other {# pins stand.}}{sends, plural, =1 {} other { Send {send, number} of {sends, number}.}}{line, plural, =0 {} other { From line #.}}",
  "stackUp.stand": "Set up {pins, plural, one {# pin} other {# pins}}.",
  "stackUp.end": "The go is over.",
  "stackUp.end.full": "The full row is down!",
  "stackUp.summary":
    "Up to {full, number} pins, {sends, plural, one {# send} other {# sends}} a round{rounds, plural, =0 {} one {, # round} other {, # rounds}}",
};

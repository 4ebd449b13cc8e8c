/** What a teacher is told after reminding families: how many reminders were made. */
export const reminded = (count: number): string =>
  count === 0
    ? "Everyone has played, so there is no one to remind."
    : `${count === 1 ? "One family has a reminder" : `${count} families have a reminder`} in the outbox.`;

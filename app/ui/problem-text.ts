/** A problem as a sentence: documents and the command line name a field before it, a page shows it beside the field. */
export function problemText(message: string): string {
  const text = message.trim();
  if (text === "") return text;
  const capital = text[0]!.toUpperCase() + text.slice(1);
  return /[.?!:]$/.test(capital) ? capital : `${capital}.`;
}

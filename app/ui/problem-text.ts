/** A problem as a sentence: documents and the command line name a field before it, a page shows it beside the field. */
export function problemText(message: string): string {
  const text = message.trim();
  if (text === "") return text;
  // A file or a field of a document keeps its own spelling.
  const capital = /^[a-z]+(?=[\s,:;.]|$)(?!\.\w)/.test(text) ? text[0]!.toUpperCase() + text.slice(1) : text;
  return /[.?!:]$/.test(capital) ? capital : `${capital}.`;
}

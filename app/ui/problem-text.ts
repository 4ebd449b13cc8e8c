/**
 * A problem as a sentence. Documents and the command line put the field's name before it; a page shows it beside the
 * field.
 */
export function problemText(message: string): string {
  const text = message.trim();
  if (text === "") return text;
  // The name of a file or of a document's field keeps its own spelling.
  const capital = /^[a-z]+(?=[\s,:;.]|$)(?!\.\w)/.test(text) ? text[0]!.toUpperCase() + text.slice(1) : text;
  return /[.?!:]$/.test(capital) ? capital : `${capital}.`;
}

/** Words that are swapped. */
const PAIRS: Record<string, string> = { left: "right", right: "left", Left: "Right", Right: "Left" };
/** A cue for the other hand, with left and right swapped. */
export function mirrored(text: string): string {
  return text.replace(/\b(left|right|Left|Right)\b/g, (word) => PAIRS[word]!);
}

/**
 * The letters and digits of a name as one word, each of its words with a capital: "wall sits" is WallSits, and
 * "Tür auf" is TurAuf. At most `most` letters. Empty if the name has no Latin letters or digits.
 */
export const wordFrom = (name: string, most: number): string =>
  name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9 ]/g, "")
    .trim()
    .split(/\s+/)
    .map((part) => (part === "" ? "" : part[0]!.toUpperCase() + part.slice(1).toLowerCase()))
    .join("")
    .slice(0, most);

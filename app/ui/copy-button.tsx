import { Check, Copy } from "lucide-react";
import { useState } from "react";

/** How long a copied text is said to be copied, milliseconds. */
const TOLD = 1800;

/** Puts a text on the clipboard; where a browser has none (a plain HTTP address), by way of a field that is selected. */
async function copied(text: string): Promise<boolean> {
  try {
    await navigator.clipboard.writeText(text);
    return true;
  } catch {
    const field = document.createElement("textarea");
    field.value = text;
    field.style.position = "fixed";
    document.body.append(field);
    field.select();
    const done = document.execCommand("copy");
    field.remove();
    return done;
  }
}

/** Copies, and says so. `of`: whose it is, for those who hear the page. */
export function CopyButton({ text, words, of, small }: { text: string; words: string; of?: string; small?: boolean }) {
  const [told, tell] = useState<"" | "copied" | "could not copy">("");
  return (
    <button
      type="button"
      className={`btn ${small ? "btn-quiet btn-small" : ""}`}
      aria-label={of ? `${words}: ${of}` : undefined}
      onClick={async () => {
        tell((await copied(text)) ? "copied" : "could not copy");
        setTimeout(() => tell(""), TOLD);
      }}
    >
      {told === "copied" ? (
        <Check size={small ? 15 : 17} aria-hidden="true" />
      ) : (
        <Copy size={small ? 15 : 17} aria-hidden="true" />
      )}
      <span aria-live="polite">{told || words}</span>
    </button>
  );
}

import { Check, Copy } from "lucide-react";
import { useState } from "react";

/** How long the button says that the text was copied, milliseconds. */
const TOLD = 1800;

/**
 * Copies a text to the clipboard. A browser that has none (on a plain HTTP address) copies from a selected field
 * instead.
 */
export async function copied(text: string): Promise<boolean> {
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

/** A button that copies a text and says so. `of`: what the text belongs to, for people who hear the page. */
export function CopyButton({ text, words, of, small }: { text: string; words: string; of?: string; small?: boolean }) {
  const [status, setStatus] = useState<"" | "copied" | "could not copy">("");
  return (
    <button
      type="button"
      className={`btn ${small ? "btn-quiet btn-small" : ""}`}
      aria-label={of ? `${words}: ${of}` : undefined}
      onClick={async () => {
        setStatus((await copied(text)) ? "copied" : "could not copy");
        setTimeout(() => setStatus(""), TOLD);
      }}
    >
      {status === "copied" ? (
        <Check size={small ? 15 : 17} aria-hidden="true" />
      ) : (
        <Copy size={small ? 15 : 17} aria-hidden="true" />
      )}
      <span aria-live="polite">{status || words}</span>
    </button>
  );
}

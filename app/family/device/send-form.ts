/**
 * Sends a form if the server answers, and otherwise leaves the form as it is, because a page that could not be sent would take what was typed
 * with it. Returns whether it was sent. A button's own name and value are not sent.
 */
export async function sendForm(form: HTMLFormElement): Promise<boolean> {
  const there = await fetch("/healthz", { cache: "no-store" }).then(
    (answer) => answer.ok,
    () => false,
  );
  if (there) form.submit();
  return there;
}

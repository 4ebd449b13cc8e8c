import { type FormEvent, useState } from "react";
import { sendForm } from "../family/device/send-form.ts";

/**
 * Sends a form that would lose what was typed if the server were away. `unsent`: the server was away, and the form is
 * still there.
 */
export function useSendForm() {
  const [unsent, setUnsent] = useState(false);
  const send = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    setUnsent(!(await sendForm(event.currentTarget)));
  };
  return { unsent, send };
}

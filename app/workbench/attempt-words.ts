import { createContext, useContext } from "react";
import { label } from "#words/teacher.ts";
import { tell } from "#words/tell.ts";
import { ANY_ATTEMPT, type attemptWordsForTeacher } from "#words/verbs.ts";

/**
 * The words for an attempt in the activity on the workbench: rolls, throws, kicks. The workbench provides them to all
 * of its panels.
 */
export const AttemptWords = createContext<ReturnType<typeof attemptWordsForTeacher>>(ANY_ATTEMPT);

export const useAttemptWords = () => useContext(AttemptWords);
/** `label` and `tell` with those words filled in. */
export function useWords() {
  const attempt = useContext(AttemptWords);
  return {
    attempt,
    label: (key: string) => label(key, attempt),
    tell: (key: Parameters<typeof tell>[0], params?: Parameters<typeof tell>[1]) =>
      tell(key, { ...attempt, ...params }),
  };
}

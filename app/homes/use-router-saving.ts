import { useCallback, useMemo } from "react";
import { useFetcher, useNavigate } from "react-router";
import type { SaveAnswer, Saving } from "./saving.ts";

/** Saves parts of the survey through the action of the page around it. */
export function useRouterSaving(): Saving {
  const { submit, state, data } = useFetcher<SaveAnswer>();
  const navigate = useNavigate();
  const save = useCallback(
    (fields: Record<string, string>) => void submit({ ...fields, quietly: "yes" }, { method: "post" }),
    [submit],
  );
  const open = useCallback((url: string) => void navigate(url), [navigate]);
  return useMemo(() => ({ busy: state !== "idle", answer: data ?? null, save, open }), [state, data, save, open]);
}

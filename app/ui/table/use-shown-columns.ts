import { useCallback, useEffect, useMemo, useState } from "react";
import { remember, rememberedJson } from "../../kept.ts";
import type { Column } from "./columns.ts";

/** Which columns a table shows, by id: its own choice at first, then the teacher's, which this device remembers. */
export function useShownColumns<Row>(name: string, columns: readonly Column<Row>[]) {
  const key = `yard-columns ${name}`;
  const [chosen, setChosen] = useState<Record<string, boolean>>({});
  useEffect(() => setChosen(rememberedJson<Record<string, boolean>>(key) ?? {}), [key]);
  const shown = useMemo(
    () => Object.fromEntries(columns.map(({ id, off }, i) => [id, i === 0 || (chosen[id] ?? !off)])),
    [columns, chosen],
  );
  const show = useCallback(
    (id: string, on: boolean) =>
      setChosen((was) => {
        const next = { ...was, [id]: on };
        remember(key, JSON.stringify(next));
        return next;
      }),
    [key],
  );
  return [shown, show] as const;
}

import { ChevronRight } from "lucide-react";
import type { ReactNode } from "react";

/** Settings that belong together, under a heading. */
export const Group = ({ title, children }: { title: string; children: ReactNode }) => (
  <section aria-label={title} className="group-box">
    <h3 className="group-title">{title}</h3>
    {children}
  </section>
);

/** Settings that are seldom needed, folded under their heading. `note` says how much of it is in use. */
export const Fold = ({
  title,
  note,
  open = false,
  children,
}: {
  title: string;
  note?: ReactNode;
  open?: boolean;
  children: ReactNode;
}) => (
  <details aria-label={title} className="group-box fold" open={open}>
    <summary className="group-title">
      <ChevronRight size={16} aria-hidden="true" className="fold-sign" />
      <span className="grow">{title}</span>
      {note && <span className="text-xs font-normal text-quiet">{note}</span>}
    </summary>
    {children}
  </details>
);

import { memo } from "react";
import { AimPanel } from "./aim-panel.tsx";
import { CuesPanel } from "./cues-panel.tsx";
import { LevelsPanel } from "./levels-panel.tsx";
import { PlayersPanel } from "./players-panel.tsx";
import { ScorePanel } from "./score-panel.tsx";
import type { PanelProps, Station } from "./stations.ts";
import { YardPanel } from "./yard-panel.tsx";

const PANELS = {
  aim: AimPanel,
  cues: CuesPanel,
  yard: YardPanel,
  score: ScorePanel,
  players: PlayersPanel,
  levels: LevelsPanel,
};
export const Panel = memo(function Panel({ station, ...props }: { station: Station } & PanelProps) {
  if (station === "send" || station === "kit") return null;
  const One = PANELS[station];
  return <One {...props} />;
});

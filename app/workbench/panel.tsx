import { memo } from "react";
import { LevelsPanel } from "./levels-panel.tsx";
import {
  AimPanel,
  CuesPanel,
  type PanelProps,
  PlayersPanel,
  ScorePanel,
  type Station,
  YardPanel,
} from "./stations.tsx";

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

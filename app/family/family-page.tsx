import { Component, type ReactNode } from "react";
import { say } from "#words/say.ts";
import { Trouble } from "../ui/trouble.tsx";
import { CardApp } from "./card/card-app.tsx";
import type { CardData } from "./card/card-data.ts";
import type { CardsData } from "./cards/cards-data.ts";
import { CardsPage } from "./cards/cards-page.tsx";

/** A family page that runs on the device: which page it is, and its data. */
export type FamilyPageData = { page: "card"; data: CardData } | { page: "cards"; data: CardsData };

/** Shown when drawing fails. Everything played is saved on the device, so the page can simply be loaded again. */
class Broken extends Component<{ token: string; children: ReactNode }, { broken: boolean }> {
  override state = { broken: false };
  static getDerivedStateFromError() {
    return { broken: true };
  }
  override render() {
    if (!this.state.broken) return this.props.children;
    return (
      <Trouble
        title={say("trouble.title")}
        text={say("trouble.text")}
        to={`/f/${this.props.token}`}
        way={say("trouble.again")}
      />
    );
  }
}

/** Drawn by the server and then by the device, which must produce the same markup. */
export function FamilyPage(given: FamilyPageData) {
  return (
    <Broken token={given.data.token}>
      {given.page === "card" ? <CardApp data={given.data} /> : <CardsPage data={given.data} />}
    </Broken>
  );
}

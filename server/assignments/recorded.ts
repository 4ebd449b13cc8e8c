import { and, asc, eq } from "drizzle-orm";
import type { GameSettings, Setup } from "#core/contract/contract.ts";
import type { RecordedEvent } from "#core/events/events.ts";
import { type Activity, gameSettingsOf } from "#core/formats/activity.ts";
import type { SignedIn } from "../auth/sign-in.ts";
import { inForce } from "../cards/versions.ts";
import { schema, withTenant } from "../db/client.ts";
import { NotFound } from "../problem.ts";
import { ownAssignment } from "./own.ts";

const { card, cardVersion, child, play, playEvent } = schema;

/** A go as its device recorded it, with what is needed to replay it. */
export interface RecordedGo {
  child: string;
  /** The activity as this child's home played it. */
  activity: Activity;
  game: GameSettings;
  setup: Setup;
  events: RecordedEvent[];
  rulesVersion: number;
  startedAt: Date;
}

/** A go of one of the teacher's assignments. A result from paper has no events. */
export function recordedGo(who: SignedIn, assignmentId: string, playId: string): Promise<RecordedGo> {
  return withTenant(who.schoolId, async (tx) => {
    await ownAssignment(tx, who, assignmentId);
    const [row] = await tx
      .select({ play, child: child.name, hash: card.hash })
      .from(play)
      .innerJoin(card, eq(card.id, play.cardId))
      .innerJoin(child, eq(child.id, card.childId))
      .where(and(eq(play.id, playId), eq(card.assignmentId, assignmentId)));
    if (!row) throw new NotFound("go");
    const version = row.play.cardHash
      ? and(eq(cardVersion.cardId, card.id), eq(cardVersion.hash, row.play.cardHash))
      : inForce;
    const [compiled] = await tx
      .select({ compiled: cardVersion.compiled })
      .from(card)
      .innerJoin(cardVersion, version)
      .where(eq(card.id, row.play.cardId));
    if (!compiled) throw new NotFound("go");
    const events = await tx
      .select({ event: playEvent.event })
      .from(playEvent)
      .where(eq(playEvent.playId, playId))
      .orderBy(asc(playEvent.seq));
    const { activity } = compiled.compiled;
    const played = row.play.game?.pattern as (GameSettings & Activity["pattern"]) | undefined;
    return {
      child: row.child,
      // The targets may stand elsewhere than the card says, where the family chose so.
      activity: played
        ? ({ ...activity, pattern: { ...activity.pattern, params: played.params } } as Activity)
        : activity,
      game: played ?? gameSettingsOf(activity),
      setup: row.play.setup,
      events: events.map(({ event }) => event),
      rulesVersion: row.play.rulesVersion,
      startedAt: row.play.startedAt,
    };
  });
}

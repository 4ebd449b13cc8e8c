import type { CardData } from "../card/card-data.ts";
import { FairMatch } from "./fair-match.tsx";
import { personOf } from "./people.ts";
import { PersonRow } from "./person-row.tsx";
import type { Company } from "./use-company.ts";

/**
 * How each player plays so that the match is fair. If everybody plays on their own, the model proposes it; otherwise
 * it is set for each player.
 */
export const MakeItFair = ({ data, company }: { data: CardData; company: Company }) => (
  <>
    {company.mode === "against" && !company.inSides && company.playing.length === company.count && (
      <FairMatch
        data={data}
        names={company.names.map((_, i) => company.nameOf(i))}
        chosen={(all) => company.setPeople(all.map(personOf))}
      />
    )}
    {company.people.map((is, i) => (
      <PersonRow
        key={`person${i + 1}`}
        name={company.nameOf(i)}
        first={i === 0}
        is={is}
        most={company.mostHead}
        line={company.lines && { values: company.lines, step: data.card.step }}
        guards={company.guards}
        targets={data.card.parts.some((part) => part.kind === "target") && !data.card.unaimed}
        change={(person) => company.setPerson(i, person)}
      />
    ))}
  </>
);

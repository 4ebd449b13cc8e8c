/** What a select offers: each by its id and its name. */
export const Options = ({ of }: { of: readonly { id: string; name: string }[] }) =>
  of.map((o) => (
    <option key={o.id} value={o.id}>
      {o.name}
    </option>
  ));

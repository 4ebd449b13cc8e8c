/** The options of a select, each with its id and its name. */
export const Options = ({ of }: { of: readonly { id: string; name: string }[] }) =>
  of.map((child) => (
    <option key={child.id} value={child.id}>
      {child.name}
    </option>
  ));

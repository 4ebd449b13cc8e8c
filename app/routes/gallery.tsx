import { EllipsisVertical, Printer } from "lucide-react";
import { useState } from "react";
import { Button, ButtonLink, DownloadLink } from "../ui/button.tsx";
import { ClassChoice } from "../ui/class-choice.tsx";
import { DateTimeField } from "../ui/date-time-field.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { Fold, Group } from "../ui/group.tsx";
import { Help } from "../ui/help.tsx";
import { Menu } from "../ui/menu.tsx";
import { Empty, Figure, Page, PageHead } from "../ui/page.tsx";
import { ProgressBar } from "../ui/progress.tsx";
import { Sortable } from "../ui/sortable.tsx";
import type { Column } from "../ui/table/columns.ts";
import { DataTable } from "../ui/table/data-table.tsx";
import { Tabs } from "../ui/tabs.tsx";
import { Tip } from "../ui/tip.tsx";
import { ToastPlace, useToast } from "../ui/toasts.tsx";
import { Choice, NumberField, Toggle } from "../workbench/fields.tsx";

export const meta = () => [{ title: "Gallery · Daring Yard" }];

const LONG = "A label so long that it does not fit beside anything else and has to be broken somewhere";
const LOOKS = ["main", "plain", "quiet", "bare"] as const;
const SIZES = ["usual", "small"] as const;

interface Row {
  id: string;
  name: string;
  score: number | null;
  note: string;
}
const ROWS: Row[] = Array.from({ length: 12 }, (_, i) => ({
  id: `r${i}`,
  name: i === 5 ? LONG : `Row ${i + 1}`,
  score: i % 4 === 3 ? null : (i * 7) % 11,
  note: i % 2 ? "odd" : "even",
}));
const COLUMNS: Column<Row>[] = [
  { id: "name", head: "Name", sort: (row) => row.name, cell: (row) => row.name },
  { id: "score", head: "Score", sort: (row) => row.score, cell: (row) => row.score ?? "–", figures: true },
  { id: "note", head: "Note", cell: (row) => row.note, off: true },
];
const ENTRIES = [
  { label: "A page", to: "?menu" },
  { label: "Something the script does", onSelect: () => undefined, apart: true },
];

/** Every component of the teacher's side in every state. It is built for the tests and for those who change one. */
export default function Gallery() {
  return (
    <ToastPlace>
      <Page>
        <PageHead title="Gallery" above={{ to: "/", name: "Home" }} about="Every component, in every state">
          <Figure value="12 of 28" what="played it" />
          <Button look="main">Main action</Button>
          <Menu label="More actions" size="usual" entries={ENTRIES}>
            More
          </Menu>
        </PageHead>
        <Buttons />
        <Fields />
        <Floating />
        <section aria-label="Tabs" className="mb-8">
          <Tabs
            label="Examples"
            tabs={[
              { id: "one", label: "One", content: () => <p>The first tab</p> },
              { id: "two", label: "Two", content: () => <p>The second tab</p> },
            ]}
          />
          <ClassChoice
            chosen="b"
            classes={[
              { id: "a", name: "Heron class" },
              { id: "b", name: "Otter class" },
            ]}
          />
        </section>
        <Table />
        <Groups />
        <section aria-label="Loading" className="mb-8">
          <div className="skeleton h-24 max-w-md" role="status" aria-label="Loading an example" />
        </section>
        <section aria-label="Nothing there">
          <Empty>
            <p>What will appear here, in one sentence.</p>
            <ButtonLink to="?empty">The first step</ButtonLink>
          </Empty>
        </section>
      </Page>
    </ToastPlace>
  );
}

const Buttons = () => (
  <section aria-label="Buttons" className="mb-8 grid gap-2">
    {SIZES.map((size) => (
      <div key={size} className="flex flex-wrap gap-2">
        {LOOKS.map((look) => (
          <Button key={look} look={look} size={size}>
            {look}
          </Button>
        ))}
        <Button size={size} disabled>
          disabled
        </Button>
        <Button size={size}>
          <Printer size={16} aria-hidden="true" /> {LONG}
        </Button>
        <ButtonLink size={size} to="?link">
          a link
        </ButtonLink>
        <DownloadLink size={size} href="/mark.svg">
          a file
        </DownloadLink>
      </div>
    ))}
  </section>
);

const Fields = () => (
  <section aria-label="Fields" className="mb-8 flex flex-wrap items-start gap-4">
    <TextField label="Text" hint="up to 30 letters" name="text" />
    <TextField label="Wrong" name="wrong" defaultValue="x" problem="This must be a number." />
    <TextField label="Disabled" name="off" disabled defaultValue="not now" />
    <TextField label={LONG} name="long" />
    <SelectField label="Choice" name="choice">
      <option>one</option>
      <option>{LONG}</option>
    </SelectField>
    <SelectField label="Wrong choice" name="wrongChoice" problem="Choose one of these.">
      <option>none</option>
    </SelectField>
    <CheckField label="Tick" name="tick" defaultChecked />
    <CheckField label="Disabled tick" name="offTick" disabled />
    <DateTimeField label="Date and time" name="at" defaultValue="2026-12-05T16:00" />
    <DateTimeField label="Wrong date" name="wrongAt" defaultValue="2020-01-01T10:00" problem="This is in the past." />
  </section>
);

function Floating() {
  const tell = useToast();
  return (
    <section aria-label="Menus, tips and messages" className="mb-8 flex flex-wrap items-center gap-3">
      <Menu label="Actions for an example" entries={ENTRIES} look="bare" size="icon">
        <EllipsisVertical size={17} aria-hidden="true" />
      </Menu>
      <ProgressBar what="Updating cards" done={12} of={28} nouns="children" />
      <Tip words="What this does" keys="u">
        <Button look="quiet">With a tip</Button>
      </Tip>
      <span>
        Something to explain <Help about="this example">A sentence that explains it.</Help>
      </span>
      <Button onClick={() => tell("It is done.", { fields: {}, action: "/gallery", what: "the example" })}>
        Say something
      </Button>
    </section>
  );
}

/** Groups of settings, folded and open, settings as they come and changed, and a list that is put in order. */
function Groups() {
  const [list, setList] = useState([
    { id: "a", text: "First" },
    { id: "b", text: "Second" },
    { id: "c", text: LONG },
  ]);
  const [count, setCount] = useState(3);
  const [on, setOn] = useState(true);
  const [choice, setChoice] = useState("two");
  return (
    <section aria-label="Groups" className="mb-8 grid max-w-3xl grid-cols-2 items-start gap-6 max-sm:grid-cols-1">
      <div>
        <Group title="A group">
          <NumberField
            name="A number that was changed"
            hint="What it does."
            value={count}
            usual={5}
            least={1}
            most={9}
            step={1}
            unit="m"
            change={setCount}
          />
          <NumberField
            name="With a problem"
            problem="with a problem must be less than the number above it"
            value={7}
            least={1}
            most={9}
            step={1}
            change={() => undefined}
          />
          <Toggle name={LONG} value={on} usual={false} change={setOn} />
          <Choice
            name="A choice"
            options={["one", "two", "three"].map((value) => ({ value, label: value }))}
            value={choice}
            usual="one"
            change={setChoice}
          />
        </Group>
        <Fold title="Folded" note="2 changed">
          <p className="py-2">Seldom needed</p>
        </Fold>
      </div>
      <Group title="In order">
        <Sortable
          list={list}
          nameOf={({ text }) => text}
          move={setList}
          row={({ text }) => <span className="py-1">{text}</span>}
        />
      </Group>
    </section>
  );
}

const Table = () => (
  <section aria-label="Table" className="mb-8">
    <DataTable
      name="Example"
      noun={["row", "rows"]}
      rows={ROWS}
      rowId={(row) => row.id}
      rowName={(row) => row.name}
      text={(row) => row.name}
      columns={COLUMNS}
      filters={[
        {
          id: "note",
          label: "Note",
          options: [
            { id: "all", label: "all", keeps: () => true },
            { id: "odd", label: "odd", keeps: (row) => row.note === "odd" },
          ],
        },
      ]}
      menu={() => ENTRIES}
      detail={(row) => <p>More about {row.name}</p>}
      actions={[{ label: "Do it", intent: "do" }]}
      empty={null}
    />
  </section>
);

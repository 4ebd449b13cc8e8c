import { getFormProps } from "@conform-to/react";
import { Form, redirect } from "react-router";
import { CAUTION_OF, EXERCISE_CAUTIONS, exercises, KINDS } from "#core/exercises/library.ts";
import { exercisesFor, saveExercise } from "#server/kit/exercises.ts";
import { NotFound } from "#server/problem.ts";
import { say } from "#words/say.ts";
import { label } from "#words/teacher.ts";
import { missing } from "../answer.server.ts";
import { exerciseForm, exerciseIn, formOfExercise } from "../exercises/exercise-form.ts";
import { formAnswered } from "../form.server.ts";
import { teacherOf } from "../session.server.ts";
import { Button, ButtonLink } from "../ui/button.tsx";
import { CheckField, SelectField, TextField } from "../ui/field.tsx";
import { fieldOf, tickOf, useSchemaForm } from "../ui/form.tsx";
import { Group } from "../ui/group.tsx";
import { Page, PageHead } from "../ui/page.tsx";
import type { Route } from "./+types/exercise-edit";

/** The address of the form for an exercise that there is not yet. */
const NEW = "new";

export const meta: Route.MetaFunction = ({ data: d }) => [
  { title: `${d?.exercise?.name ?? "New exercise"} · Daring Yard` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const who = await teacherOf(request);
  if (params.id === NEW) return { exercise: null };
  const exercise = (await exercisesFor(who)).find(({ id }) => id === params.id);
  if (!exercise) throw missing(new NotFound("exercise"));
  return { exercise };
}

export async function action({ request, params }: Route.ActionArgs) {
  const who = await teacherOf(request);
  const isNew = params.id === NEW;
  return formAnswered(request, exerciseForm, async (form) => {
    const saved = await saveExercise(who, exerciseIn(form, isNew ? null : params.id), isNew);
    throw redirect(`/exercises?saved=${saved.id}`);
  });
}

const DOSES = ["Up to 6 years", "7 to 9", "10 and over"] as const;
const CUES = [
  { label: "First cue" },
  { label: "Second cue", hint: "optional" },
  { label: "Third cue", hint: "optional" },
] as const;

/** Adds or changes an exercise of the school's own. */
export default function ExerciseEdit({ loaderData: { exercise }, actionData }: Route.ComponentProps) {
  const [form, fields] = useSchemaForm(exerciseForm, {
    id: "exercise",
    first: formOfExercise(exercise),
    answer: actionData,
  });
  const columns = "grid grid-cols-3 items-start gap-x-4 gap-y-3 py-2 max-md:grid-cols-2 max-sm:grid-cols-1";
  return (
    <Page>
      <PageHead
        above={{ to: "/exercises", name: "Short exercises" }}
        title={exercise ? `Change ${exercise.name}` : "Add an exercise"}
        about="Children do what the card says, so write it in words they know."
      />
      <Form method="post" {...getFormProps(form)} className="max-w-4xl">
        <Group title="What it is">
          <div className={columns}>
            <TextField label="Name" {...fieldOf(fields.name)} />
            <SelectField label="Type" {...fieldOf(fields.kind)}>
              {KINDS.map((kind) => (
                <option key={kind} value={kind}>
                  {label(`exercise.${kind}`)}
                </option>
              ))}
            </SelectField>
            <SelectField label="Use the drawing of" {...fieldOf(fields.drawing)}>
              {exercises.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </SelectField>
            <TextField label="What it trains" hint="optional" {...fieldOf(fields.trains)} />
            {fields.cues.getFieldList().map((field, i) => (
              <TextField key={field.name} {...CUES[i]!} {...fieldOf(field)} />
            ))}
          </div>
        </Group>
        <Group title="How much at each age">
          <p className="pt-2 text-sm text-quiet">0 means not at this age.</p>
          <div className={columns}>
            {fields.dose.getFieldList().map((field, i) => (
              <TextField key={field.name} label={DOSES[i]!} inputMode="numeric" {...fieldOf(field)} />
            ))}
            <SelectField label="Counted in" {...fieldOf(fields.unit)}>
              <option value="times">times</option>
              <option value="seconds">seconds</option>
            </SelectField>
            <TextField label="Seconds for one" inputMode="decimal" {...fieldOf(fields.each)} />
          </div>
          {fields.dose.errors && (
            <p role="alert" className="problem">
              {fieldOf(fields.dose).problem}
            </p>
          )}
        </Group>
        <Group title="For every child and home">
          <div className={columns}>
            <TextField label="Easier" hint="optional" {...fieldOf(fields.easier)} />
            <TextField label="Harder" hint="optional" {...fieldOf(fields.harder)} />
            <TextField label="Seated version" hint="optional" {...fieldOf(fields.seated)} />
            <TextField label="Room needed" hint="metres across" inputMode="decimal" {...fieldOf(fields.room)} />
            <TextField label="Item needed" hint="optional" {...fieldOf(fields.thing)} />
            <SelectField label="Caution on the card" {...fieldOf(fields.caution)} required={false}>
              <option value="">none</option>
              {EXERCISE_CAUTIONS.map((caution) => (
                <option key={caution} value={caution}>
                  {say(`caution.${CAUTION_OF[caution]}`)}
                </option>
              ))}
            </SelectField>
          </div>
          <CheckField label="Quiet enough for a flat" {...tickOf(fields.quiet)} />
        </Group>
        <p className="flex gap-2">
          <Button type="submit" look="main">
            {exercise ? "Save exercise" : "Add exercise"}
          </Button>
          <ButtonLink to="/exercises" look="quiet">
            Cancel
          </ButtonLink>
        </p>
      </Form>
    </Page>
  );
}

import { Form, data, redirect } from "react-router";
import { Textarea } from "@chakra-ui/react";
import type { Route } from "./+types/people-import";
import { formOf, textOf } from "../form";
import { type PeopleRead, peopleColumns, readPeopleCsv } from "~/formats/people-csv";
import { addPeople, audit, classOr404 } from "~/services/classes.server";
import { accountOf } from "~/services/session.server";
import { Primary, Secondary, TextLink } from "~/ui/sheet/controls";
import { needsInWords } from "~/ui/people/needs";
import { ageWords, roleWords } from "~/ui/words/en";

export async function action({ request, params, context }: Route.ActionArgs) {
  const { input } = await classOr404(params.classId);
  const form = await formOf(request);
  const text = await textOf(form, "file", "text");
  const read: PeopleRead = readPeopleCsv(text);
  if (!read.ok) return data({ text, read, twice: [] }, { status: 400 });
  const known = new Set(input.people.map((person) => person.name.toLowerCase()));
  const twice = read.people
    .filter(
      (person, index) =>
        known.has(person.name.toLowerCase()) ||
        read.people.findIndex((one) => one.name.toLowerCase() === person.name.toLowerCase()) !== index,
    )
    .map((person) => person.name);
  if (form.get("intent") !== "add") return data({ text, read, twice });
  await addPeople(params.classId, read.people, accountOf(context).id);
  await audit(accountOf(context).id, params.classId, "brought in a list of people");
  return redirect(`/classes/${params.classId}/people`);
}

export default function PeopleImport({ actionData }: Route.ComponentProps) {
  const read = actionData?.read;
  return (
    <>
      <div className="sheet-head">
        <h2>Bring in a list of people</h2>
        <div className="tools">
          <TextLink to="../people">Back to the register</TextLink>
        </div>
      </div>
      {read?.ok === false ? (
        <div className="form-error" role="alert">
          <b>
            Nobody was brought in. {read.problems.length === 1 ? "One thing is" : `${read.problems.length} things are`}{" "}
            not right:
          </b>
          <ul>
            {read.problems.slice(0, 30).map((problem) => (
              <li key={`${problem.row} ${problem.column}`}>
                Row {problem.row}, {problem.column}: {problem.sentence}
              </li>
            ))}
          </ul>
        </div>
      ) : null}
      {read?.ok ? (
        <section>
          <h3>{read.people.length} people, as understood</h3>
          {actionData && actionData.twice.length > 0 ? (
            <p className="needs-you">
              On the list already, or twice: {actionData.twice.join(", ")}. They would be added again.
            </p>
          ) : null}
          <table className="ruled">
            <thead>
              <tr>
                <th scope="col">Name</th>
                <th scope="col">Age</th>
                <th scope="col">Does</th>
                <th scope="col">Must or wants to avoid</th>
              </tr>
            </thead>
            <tbody>
              {read.people.map((person, index) => (
                <tr key={index}>
                  <td>{person.name}</td>
                  <td>{ageWords[person.ageBand]}</td>
                  <td>{roleWords[person.role]}</td>
                  <td>
                    {person.hasAnswered ? (
                      needsInWords({ ...person, id: "" }) || "nothing declared"
                    ) : (
                      <span className="needs-you">not answered</span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Form method="post" className="actions" style={{ padding: "14px 0 28px" }}>
            <input type="hidden" name="text" value={actionData?.text} />
            <Primary name="intent" value="add">
              Add these {read.people.length} people
            </Primary>
          </Form>
        </section>
      ) : null}
      <Form method="post" encType="multipart/form-data" className="form" style={{ maxWidth: 860 }}>
        <p>
          A CSV file, or rows copied from a spreadsheet. The first row names the columns:{" "}
          <b>{peopleColumns.join(", ")}</b>. Only <b>name</b> must be there. Under <b>avoids</b> write “milk: allergy;
          egg: intolerance”.
        </p>
        <label>
          File
          <br />
          <input type="file" name="file" accept=".csv,text/csv,text/plain" style={{ minHeight: 44 }} />
        </label>
        <label>
          Or paste the rows here
          <Textarea
            name="text"
            rows={8}
            defaultValue={actionData?.text}
            background="bg.panel"
            fontFamily="mono"
            fontSize="15px"
          />
        </label>
        <div className="actions">
          <Secondary name="intent" value="preview">
            Show me how you read it
          </Secondary>
        </div>
      </Form>
    </>
  );
}

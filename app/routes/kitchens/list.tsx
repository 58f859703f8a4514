import { Link } from "react-router";
import type { Route } from "./+types/list";
import { database } from "~/db/client.server";
import { kitchens } from "~/db/queries/kitchens.server";
import { TextLink } from "~/ui/parts/fields";
import { surfaceWords } from "~/ui/words/en";
import { Heads } from "~/ui/sheet/Heads";

export const loader = async () => ({ kitchens: await kitchens(database()) });

export default function Kitchens({ loaderData }: Route.ComponentProps) {
  return (
    <>
      <title>Kitchens · Apron Bell</title>
      <div className="sheet-head">
        <h1>Kitchens</h1>
        <div className="tools">
          <TextLink to="/kitchens/new">
            <b>Add a kitchen</b>
          </TextLink>
        </div>
      </div>
      {loaderData.kitchens.length === 0 ? (
        <p>
          No kitchen yet. <TextLink to="/kitchens/new">Add the first</TextLink>: where pieces cook decides how long a
          class takes.
        </p>
      ) : (
        <table className="ruled">
          <Heads of={["Kitchen", "Surfaces", { n: "Sinks" }, { n: "Gear counted" }]} />
          <tbody>
            {loaderData.kitchens.map((kitchen) => (
              <tr key={kitchen.id}>
                <td>
                  <Link
                    className="text"
                    to={`/kitchens/${kitchen.id}`}
                    style={{ fontFamily: "var(--chakra-fonts-heading)", fontWeight: 600, fontSize: 22 }}
                  >
                    {kitchen.name}
                  </Link>
                </td>
                <td>
                  {kitchen.surfaces.map((surface) => (
                    <div key={surface.id}>
                      {surface.count} × {surface.name}{" "}
                      <span className="quiet">
                        ({surfaceWords[surface.kind]}, {surface.places} to a load
                        {surface.at === "station" ? ", at each station" : ""})
                      </span>
                    </div>
                  ))}
                </td>
                <td className="n">{kitchen.sinks}</td>
                <td className="n">{kitchen.gear.length}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

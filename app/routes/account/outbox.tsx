import type { Route } from "./+types/outbox";
import { database } from "~/db/client.server";
import { writtenMail } from "~/devices/mail.server";
import { requireLead } from "~/services/session.server";
import { moment } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { Fold, FoldTitle } from "~/ui/parts/plain";
import { look } from "~/ui/theme/look";

export async function loader({ context }: Route.LoaderArgs) {
  requireLead(context);
  return { mails: await writtenMail(database()) };
}

export default function Outbox({ loaderData }: Route.ComponentProps) {
  const locale = useLocale();
  const zone = useZone();
  return (
    <>
      <title>Outbox · Apron Bell</title>
      <h1 className={look("below-xs")}>Outbox</h1>
      <p className={look("quiet", "below-s")}>
        No mail leaves this program yet: letters wait here to be read, and to be sent by hand. They go when their
        class’s health data goes.
      </p>
      {loaderData.mails.length === 0 ? (
        <p>Nothing was written yet.</p>
      ) : (
        loaderData.mails.map((mail) => (
          <Fold key={mail.id} className={look("letter")}>
            <FoldTitle>
              <b>{mail.subject}</b>
              <span className={look("small", "quiet")}>
                {" "}
                to {mail.to}, {moment(mail.at, locale, zone)}
              </span>
            </FoldTitle>
            <pre>{mail.body}</pre>
            {mail.classId ? <TextLink to={`/classes/${mail.classId}/people/intake`}>{mail.classTitle}</TextLink> : null}
          </Fold>
        ))
      )}
    </>
  );
}

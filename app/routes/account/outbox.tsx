import { Heading, Span, Text } from "@chakra-ui/react";
import { LetterFold } from "~/ui/parts/people";
import type { Route } from "./+types/outbox";
import { database } from "~/db/client.server";
import { writtenMail } from "~/devices/mail.server";
import { requireLead } from "~/services/session.server";
import { moment } from "~/ui/format/format";
import { TextLink } from "~/ui/parts/fields";
import { useLocale, useZone } from "~/ui/sheet/locale";
import { FoldTitle } from "~/ui/parts/plain";

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
      <Heading as="h1" size="2xl" mb="1.5">
        Outbox
      </Heading>
      <Text color="fg.muted" mb="3.5">
        No mail leaves this program yet: letters wait here to be read, and to be sent by hand. They go when their
        class’s health data goes.
      </Text>
      {loaderData.mails.length === 0 ? (
        <Text>Nothing was written yet.</Text>
      ) : (
        loaderData.mails.map((mail) => (
          <LetterFold key={mail.id}>
            <FoldTitle>
              <b>{mail.subject}</b>
              <Span fontSize="sm" color="fg.muted">
                {" "}
                to {mail.to}, {moment(mail.at, locale, zone)}
              </Span>
            </FoldTitle>
            <pre>{mail.body}</pre>
            {mail.classId ? <TextLink to={`/classes/${mail.classId}/people/intake`}>{mail.classTitle}</TextLink> : null}
          </LetterFold>
        ))
      )}
    </>
  );
}

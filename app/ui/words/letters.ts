/** What the program writes to people. */
export interface Reminder {
  readonly name: string;
  readonly title: string;
  readonly when: string;
  readonly place: string;
  readonly from: string;
  readonly address: string;
  readonly until: string;
}

/** Asks for an answer that has not come. It says nothing of anybody's health. */
export const reminderLetter = (to: Reminder): { subject: string; body: string } => ({
  subject: `${to.title}: what must ${to.name} avoid?`.slice(0, 200),
  body: [
    `For ${to.name}, or whoever answers for them,`,
    "",
    `we cook together at “${to.title}”, ${to.when}, ${to.place}.`,
    "Before that we need to know about allergies and diet, and we have no answer yet. “Nothing” is an answer, too.",
    "",
    `Please open this link by ${to.until}. It is yours alone; do not pass it on:`,
    to.address,
    "",
    to.from,
  ].join("\n"),
});

/** Whether what was done on this device has reached the server, in words. */
export const sentWords = {
  sent: "all saved",
  offline: "no connection",
  "signed-out": "signed out: sign in again in another tab",
  refused: "refused by the server",
} as const;
export type Sent = keyof typeof sentWords;

/** The same with how many of them wait, such as “3 ticks wait here, no connection”. */
export const saySent = (waiting: number, sent: Sent): string =>
  waiting === 0
    ? sentWords[sent]
    : `${waiting} ${waiting === 1 ? "tick waits" : "ticks wait"} here, ${sent === "sent" ? "being sent" : sentWords[sent]}`;

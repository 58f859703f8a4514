/** Where Debian's Chromium is on this machine, undefined when it is not. */
export function chromiumPath(): string | undefined;
/** The same, installing it where it is missing and that is allowed. */
export function chromiumInstalled(): string | undefined;

import { chakra } from "@chakra-ui/react";
import type { ComponentProps } from "react";

/**
 * What is operated within a line, a table or a drawing: Chakra's own elements without a look of theirs, so that the place they stand in
 * gives it. They are the browser's controls underneath: they work before a page is alive, and where no script runs.
 */

/** Something a form says without being asked. */
export const Hidden = (props: ComponentProps<"input">) => <input type="hidden" {...props} />;

export const PlainInput = chakra("input");
export const PlainArea = chakra("textarea");
export const PlainSelect = chakra("select");

/** A button of its place's own look; it sends its form only where it says so. */
export const PlainButton = chakra("button", { base: { cursor: "pointer" } }, { defaultProps: { type: "button" } });

/** A box to tick, and one of several to choose. */
export const Tick = chakra("input", {}, { defaultProps: { type: "checkbox" } });
export const Pick = chakra("input", {}, { defaultProps: { type: "radio" } });

export const FileInput = chakra("input", { base: { minHeight: "44px" } }, { defaultProps: { type: "file" } });

/** What is opened to read more: the browser's own, found by its search and printed when open. */
export const Fold = chakra("details");
export const FoldTitle = chakra("summary", { base: { cursor: "pointer" } });

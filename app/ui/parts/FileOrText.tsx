import { FileInput } from "~/ui/parts/plain";
import { Textarea } from "@chakra-ui/react";

interface Props {
  /** Kinds of file to offer, as the browser's file chooser wants them. */
  readonly accept: string;
  /** What the field for text is called. */
  readonly label: string;
  /** What was pasted before, when it was refused. */
  readonly typed: string | undefined;
}

/** Two ways in for one thing: a file (posted as `file`), or its text pasted (posted as `text`). */
export const FileOrText = ({ accept, label, typed }: Props) => (
  <>
    <label>
      File
      <br />
      <FileInput minH="11" name="file" accept={accept} />
    </label>
    <label>
      {label}
      <Textarea name="text" rows={8} defaultValue={typed} fontFamily="mono" fontSize="15px" />
    </label>
  </>
);

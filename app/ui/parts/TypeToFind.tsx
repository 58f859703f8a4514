import { Combobox, createListCollection } from "@chakra-ui/react";
import { useId, useMemo, useState } from "react";
import { matching } from "~/formats/matching";
import type { Option } from "./options";

interface Props {
  readonly label: string;
  readonly options: readonly Option[];
  readonly onChoose: (value: string) => void;
}

/** A word typed, and what of a list fits it, to be chosen by hand, arrow keys or Enter. */
export default function TypeToFind({ label, options, onChoose }: Props) {
  const id = useId();
  const [typed, setTyped] = useState("");
  const found = useMemo(() => createListCollection({ items: matching(options, typed) }), [options, typed]);
  return (
    <Combobox.Root
      collection={found}
      open
      // Its own, as the field around it would lend it the id of its select.
      ids={{ input: id, label: `${id}-label` }}
      inputBehavior="autohighlight"
      onInputValueChange={({ inputValue }) => setTyped(inputValue)}
      onValueChange={({ value: [chosen] }) => {
        if (chosen !== undefined) onChoose(chosen);
      }}
    >
      <Combobox.Control>
        <Combobox.Input autoFocus aria-label={label} placeholder="Type a part of the name" />
      </Combobox.Control>
      <Combobox.Content>
        {found.items.map((item) => (
          <Combobox.Item key={item.value} item={item}>
            {item.label}
          </Combobox.Item>
        ))}
        <Combobox.Empty>Nothing has “{typed}” in its name.</Combobox.Empty>
      </Combobox.Content>
    </Combobox.Root>
  );
}

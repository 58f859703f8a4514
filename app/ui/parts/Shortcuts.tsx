import { useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { stages } from "~/core/plan";
import { stageWords } from "~/ui/words/en";
import { helpOf } from "~/ui/words/help";
import { Ask } from "./Ask";
import { useOpening } from "./Menu";

/** Keys for the desk: the stages of the open class by number, a new class, and help for the page on "?". */
export function Shortcuts() {
  const { isOpen, open, close } = useOpening();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const help = helpOf(pathname);
  const base = /^\/classes\/[0-9a-f-]{36}/.exec(pathname)?.[0];
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.closest("input, textarea, select");
      // One that is closing has been answered.
      const isAsked = document.querySelector(":is([role=dialog], [role=menu]):not([data-state=closed])") !== null;
      if (isTyping || event.ctrlKey || event.metaKey || event.altKey || isAsked) return;
      const stage = stages[Number(event.key) - 1];
      if (event.key === "?") open();
      else if (event.key === "n") void navigate("/classes/new");
      else if (event.key === "c") void navigate("/");
      else if (stage && base) void navigate(`${base}/${stage}`);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [navigate, base, open]);
  const keys: readonly (readonly [string, string])[] = [
    ["?", "this help"],
    ["c", "all classes"],
    ["n", "a new class"],
    ...stages.map((stage, index) => [String(index + 1), stageWords[stage]] as const),
  ];
  return (
    <Ask isOpen={isOpen} onClose={close} title="Help and keys" wayOut="Close">
      {help ? (
        <>
          <p>
            <b>{help.title}.</b> {help.purpose}
          </p>
          {help.first ? <p>{help.first}</p> : null}
          {help.words.length > 0 ? (
            <dl className="help-words">
              {help.words.map(([word, means]) => (
                <div key={word}>
                  <dt>{word}</dt>
                  <dd>{means}</dd>
                </div>
              ))}
            </dl>
          ) : null}
        </>
      ) : null}
      <table className="ruled">
        <tbody>
          {keys.map(([key, what]) => (
            <tr key={key}>
              <td>
                <b>{key}</b>
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet small">
        On the live screen: space rings the next bell, u takes the last one back, d adds two minutes, b turns bright or
        dark.
      </p>
    </Ask>
  );
}

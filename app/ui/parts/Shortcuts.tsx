import { useEffect, useRef } from "react";
import { useLocation, useNavigate } from "react-router";
import { stages } from "~/core/plan";
import { stageWords } from "~/ui/words/en";
import { Secondary } from "./fields";

/** Keys for the desk: the stages of the open class by number, a new class, and this sheet on "?". */
export function Shortcuts() {
  const dialog = useRef<HTMLDialogElement>(null);
  const navigate = useNavigate();
  const base = /^\/classes\/[0-9a-f-]{36}/.exec(useLocation().pathname)?.[0];
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const isTyping = event.target instanceof HTMLElement && event.target.closest("input, textarea, select");
      if (isTyping || event.ctrlKey || event.metaKey || event.altKey || dialog.current?.open) return;
      const stage = stages[Number(event.key) - 1];
      if (event.key === "?") dialog.current?.showModal();
      else if (event.key === "n") void navigate("/classes/new");
      else if (event.key === "c") void navigate("/");
      else if (stage && base) void navigate(`${base}/${stage}`);
    };
    addEventListener("keydown", press);
    return () => removeEventListener("keydown", press);
  }, [navigate, base]);
  return (
    <dialog ref={dialog} className="keys-sheet" aria-labelledby="keys-title">
      <h2 id="keys-title">Keys</h2>
      <table className="ruled">
        <tbody>
          <tr>
            <td>
              <b>?</b>
            </td>
            <td>this sheet</td>
          </tr>
          <tr>
            <td>
              <b>c</b>
            </td>
            <td>all classes</td>
          </tr>
          <tr>
            <td>
              <b>n</b>
            </td>
            <td>a new class</td>
          </tr>
          {stages.map((stage, index) => (
            <tr key={stage}>
              <td>
                <b>{index + 1}</b>
              </td>
              <td>{stageWords[stage]}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet small" style={{ padding: "10px 0" }}>
        On the live screen: space rings the next bell, u takes the last one back, d adds two minutes, b turns bright or
        dark.
      </p>
      <form method="dialog">
        <Secondary>Close</Secondary>
      </form>
    </dialog>
  );
}

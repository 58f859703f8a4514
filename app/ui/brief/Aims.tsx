import { parts } from "~/ui/theme/parts";

/** What people should be able to do or say afterwards, in the instructor's words. */
export function Aims({ aims, isLarge = false }: { aims: readonly string[] | undefined; isLarge?: boolean }) {
  if (aims === undefined || aims.length === 0) return null;
  const names = parts.aims.of({ isLarge });
  return (
    <section aria-label="What they are to learn" className={names.root}>
      <p className={names.title}>What they are to learn</p>
      <ul className={names.list}>
        {aims.map((aim) => (
          <li key={aim}>{aim}</li>
        ))}
      </ul>
    </section>
  );
}

import { useOutletContext } from "react-router";
import type { ClassInput, ClassPlan, Stage } from "~/core/plan";
import type { ClassMeta } from "~/db/queries/classes.server";
import type { StageStanding } from "~/ui/class/SettleBar";
import type { DraftStore } from "~/ui/brief/draft-store";
import type { Names } from "~/ui/words/names";

/** What every page of a class has at hand. */
export interface ClassContext {
  readonly input: ClassInput;
  readonly plan: ClassPlan;
  readonly meta: ClassMeta;
  readonly standings: Readonly<Record<Stage, StageStanding>>;
  readonly names: Names;
  readonly isLead: boolean;
  /** The class as it is being typed, if it is: the bell line in the head follows it. */
  readonly drafts: DraftStore;
  /** Where stages are settled. */
  readonly action: string;
}

export const useClass = (): ClassContext => useOutletContext<ClassContext>();

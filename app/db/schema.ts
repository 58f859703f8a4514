import type { ColumnType, Generated } from "kysely";

/** Table types. A column is changed here, in a migration, and in the one mapper that reads it. */
type Instant = ColumnType<Date, Date | string | undefined, Date | string>;
type CreatedAt = ColumnType<Date, never, never>;

export interface AccountTable {
  id: Generated<string>;
  email: string;
  name: string;
  role: "lead" | "assistant";
  password_hash: string;
  created_at: CreatedAt;
  updated_at: Instant;
}
export interface LoginSessionTable {
  id_hash: string;
  account_id: string;
  created_at: CreatedAt;
  expires_at: Instant;
}
export interface SetupCodeTable {
  id: Generated<boolean>;
  code_hash: string;
  created_at: CreatedAt;
}

export interface IngredientTable {
  id: string;
  name: string;
  role: string;
  label: string;
  grams_per_cup: number | null;
  grams_sifted: number | null;
  grams_spooned: number | null;
  grams_dipped: number | null;
  grams_per_tsp: number | null;
  piece_grams: number | null;
  water_percent: number;
  fat_percent: number;
  true_density: number;
  neutralises_tsp: number;
  storage: string;
  source: string;
  updated_at: Instant;
}
export interface IngredientSubstanceTable {
  ingredient_id: string;
  substance: string;
}

export interface RecipeRevisionTable {
  recipe_id: string;
  revision: number;
  title: string;
  family: string;
  standing: string;
  body: unknown;
  created_by: string | null;
  created_at: CreatedAt;
}
export interface RecipeTable {
  id: string;
  created_at: CreatedAt;
}
export interface RevisionIngredientTable {
  recipe_id: string;
  revision: number;
  ingredient_id: string;
}

export interface KitchenTable {
  id: Generated<string>;
  name: string;
  sinks: number;
  version: Generated<number>;
  updated_at: Instant;
}
export interface SurfaceTable {
  id: Generated<string>;
  kitchen_id: string;
  position: number;
  name: string;
  kind: string;
  places: number;
  count: number;
  at: string;
  preheat_minutes: number | null;
  watts: number;
}
export interface KitchenGearTable {
  kitchen_id: string;
  tool: string;
  owned: number;
}

export interface ClassTable {
  id: Generated<string>;
  title: string;
  starts_at: string;
  time_zone: string;
  kitchen_id: string;
  people: number;
  audience: string;
  minutes: number;
  pieces_each_num: number;
  pieces_each_den: number;
  station_size: number;
  helpers: number;
  kit_mode: string;
  demo: string;
  testers_per_surface: number;
  batch_rule: string;
  measuring_set_id: string;
  regime: string;
  hot_places_per_adult: number;
  doors_minutes: number;
  eat_minutes: number;
  clean_minutes: number;
  has_demo_batch: boolean;
  has_spare_kit: boolean;
  station_names: string[];
  is_demo: Generated<boolean>;
  version: Generated<number>;
  updated_by: string | null;
  created_at: CreatedAt;
  updated_at: Instant;
}
export interface ClassDishTable {
  id: Generated<string>;
  class_id: string;
  position: number;
  recipe_id: string;
  revision: number;
  variant_id: string | null;
  stations: number | null;
}
export interface ParticipantTable {
  id: Generated<string>;
  class_id: string;
  position: number;
  name: string;
  role: string;
  age_band: string;
  has_answered: boolean;
  version: Generated<number>;
  updated_by: string | null;
  updated_at: Instant;
}
export interface ParticipantNeedTable {
  id: Generated<string>;
  participant_id: string;
  position: number;
  kind: string;
  substance: string | null;
  severity: string | null;
  touch_or_air: boolean;
  diet: string | null;
  note: string;
}
export interface LabelReadingTable {
  class_id: string;
  ingredient_id: string;
  product: string;
  read_by: string;
  read_on: string;
  version: Generated<number>;
  updated_at: Instant;
}
export interface LabelSubstanceTable {
  class_id: string;
  ingredient_id: string;
  substance: string;
  level: "contains" | "may-contain";
}
export interface ClassPackTable {
  class_id: string;
  ingredient_id: string;
  unit_grams: number;
  units_per_pack: number;
  unit_name: string;
}

export interface StageStampTable {
  class_id: string;
  stage: string;
  fingerprint: string;
  inputs: unknown;
  stamped_by: string | null;
  stamped_at: Instant;
}
export interface LiveRunTable {
  class_id: string;
  snapshot: unknown;
  started_by: string | null;
  started_at: Instant;
}
export interface LiveEventTable {
  id: string;
  class_id: string;
  seq: Generated<string>;
  happened_at: number;
  account_id: string | null;
  kind: string;
  body: unknown;
  received_at: CreatedAt;
}
export interface ClassLogTable {
  class_id: string;
  pieces_made: number | null;
  note: string;
  version: Generated<number>;
  kept_by: string | null;
  updated_at: Instant;
}
export interface AuditEntryTable {
  id: Generated<string>;
  happened_at: CreatedAt;
  account_id: string | null;
  class_id: string | null;
  action: string;
}

export interface DB {
  account: AccountTable;
  login_session: LoginSessionTable;
  setup_code: SetupCodeTable;
  ingredient: IngredientTable;
  ingredient_substance: IngredientSubstanceTable;
  recipe: RecipeTable;
  recipe_revision: RecipeRevisionTable;
  revision_ingredient: RevisionIngredientTable;
  kitchen: KitchenTable;
  surface: SurfaceTable;
  kitchen_gear: KitchenGearTable;
  class: ClassTable;
  class_dish: ClassDishTable;
  participant: ParticipantTable;
  participant_need: ParticipantNeedTable;
  label_reading: LabelReadingTable;
  label_substance: LabelSubstanceTable;
  class_pack: ClassPackTable;
  stage_stamp: StageStampTable;
  live_run: LiveRunTable;
  live_event: LiveEventTable;
  class_log: ClassLogTable;
  audit_entry: AuditEntryTable;
}

import type { Market } from "~/core/pantry";
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
  version: Generated<number>;
  closed_at: ColumnType<Date | null, Date | undefined, Date | null>;
  region: ColumnType<string | null, string | null | undefined, string | null>;
  scale: ColumnType<string | null, string | null | undefined, string | null>;
  cups: ColumnType<string | null, string | null | undefined, string | null>;
  shade: ColumnType<string | null, string | null | undefined, string | null>;
  created_at: CreatedAt;
  updated_at: Instant;
}
export interface LoginSessionTable {
  id: Generated<string>;
  id_hash: string;
  device: Generated<string>;
  seen_at: Instant;
  account_id: string;
  created_at: CreatedAt;
  expires_at: Instant;
}
export interface PasswordLetterTable {
  token_hash: string;
  account_id: string;
  written_at: CreatedAt;
  expires_at: Instant;
}
export interface KnownOriginTable {
  account_id: string;
  kind: "device" | "place";
  key_hash: string;
  seen_at: Instant;
}
export interface SetupCodeTable {
  id: Generated<boolean>;
  code_hash: string;
  created_at: CreatedAt;
}

/** When it was put aside: what has it keeps it, and nothing new is offered it. */
type AsideAt = ColumnType<Date | null, Date | null | undefined, Date | null>;

export interface IngredientTable {
  id: string;
  name: string;
  aside_at: AsideAt;
  role: string;
  label: string;
  grams_per_cup: number | null;
  grams_sifted: number | null;
  grams_spooned: number | null;
  grams_dipped: number | null;
  grams_per_tsp: number | null;
  tsp_low: number | null;
  tsp_high: number | null;
  piece_grams: number | null;
  water_percent: number;
  fat_percent: number;
  sugar_percent: Generated<number>;
  darkens: Generated<boolean>;
  version: Generated<number>;
  updated_by: string | null;
  true_density: number;
  neutralises_tsp: number;
  storage: string;
  source: string;
  raw_name: string | null;
  raw_keeps: number | null;
  raw_piece_grams: number | null;
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
export interface RecipeStandingTable {
  id: Generated<string>;
  recipe_id: string;
  revision: number;
  standing: string;
  note: string;
  marked_by: string | null;
  marked_at: CreatedAt;
}
export interface RecipeTable {
  id: string;
  created_at: CreatedAt;
  aside_at: AsideAt;
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
  altitude_m: number | null;
  version: Generated<number>;
  updated_at: Instant;
  aside_at: AsideAt;
}
/** What goes round the tables of a kitchen. */
export interface KitchenRoundTable {
  kitchen_id: string;
  thing: string;
  count: number;
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
  diameter_cm: number | null;
  width_cm: number | null;
  depth_cm: number | null;
  coating: string | null;
  has_hot_handle: boolean | null;
  lamp: string | null;
  flame: string | null;
}
export interface CircuitTable {
  id: Generated<string>;
  kitchen_id: string;
  position: number;
  name: string;
  volts: number;
  amps: number;
  sockets: number;
  plug_amps: number | null;
}
export interface KitchenFloorTable {
  kitchen_id: string;
  width_m: number;
  depth_m: number;
}
export interface FloorMarkTable {
  id: Generated<string>;
  kitchen_id: string;
  position: number;
  kind: string;
  label: string;
  x: number;
  y: number;
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
  currency: string | null;
  mix_pinned: number | null;
  pour_pinned: number | null;
  eat_pinned: number | null;
  kitchen_id: string;
  removed_at: Instant | null;
  removed_by: string | null;
  aside_at: AsideAt;
  people: number;
  audience: string;
  minutes: number;
  pieces_each_num: number;
  pieces_each_den: number;
  station_size: number;
  helpers: number;
  tasters: Generated<number>;
  kit_mode: string;
  demo: string;
  testers_per_surface: number;
  batch_rule: string;
  measuring_set_id: string;
  missing_scoops: Generated<string[]>;
  strict_tolerance_percent: Generated<number>;
  usual_tolerance_percent: Generated<number>;
  eases_spice: Generated<boolean>;
  regime: string;
  hot_places_per_adult: number;
  doors_minutes: number;
  eat_minutes: number;
  meal_mode: string | null;
  clean_minutes: number;
  has_demo_batch: boolean;
  has_spare_kit: boolean;
  station_names: string[];
  aims: Generated<string[]>;
  retain_days: Generated<number>;
  washes_between: Generated<boolean>;
  seats_from_register: Generated<boolean>;
  is_remote: Generated<boolean>;
  egg_rule: Generated<string>;
  container_per: Generated<string>;
  shops_with: string | null;
  health_removed_at: ColumnType<Date | null, Date | undefined, Date | null>;
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
  /** Batches as an exact number in writing; null where as many as are wanted are made. */
  bowl: string | null;
  cooks: string | null;
  mixing: string | null;
  bulk: number | null;
}
export interface ClassDishTakeTable {
  dish_id: string;
  line_id: string;
  ingredient_id: string;
}
export interface ClassDishRoundTable {
  dish_id: string;
  round_id: string;
  parts: number;
}
export interface ParticipantTable {
  id: Generated<string>;
  class_id: string;
  position: number;
  name: string;
  role: string;
  age_band: string;
  has_answered: boolean;
  grown_up_id: string | null;
  note: Generated<string>;
  words: Generated<string>;
  words_read_by: string | null;
  words_is_nothing: Generated<boolean>;
  emergency: Generated<string>;
  answered_by: string | null;
  answered_on: string | null;
  email: string | null;
  stamp_key: Generated<string>;
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
  food: string | null;
  note: string;
  note_read_by: string | null;
  covers: string[] | null;
  covers_by: string | null;
}
export interface LabelReadingTable {
  class_id: string;
  ingredient_id: string;
  product: string;
  read_by: string;
  read_on: string;
  market: Market | null;
  looked_for: Generated<string[]>;
  foods: Generated<string[]>;
  is_gluten_free: Generated<boolean>;
  version: Generated<number>;
  updated_at: Instant;
}
export interface AllergyDecisionTable {
  class_id: string;
  participant_id: string;
  opening: string;
  decision: string;
  decided_by: string | null;
  decided_at: Instant;
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
  product: string | null;
  price: number | null;
}
export interface ClassPackSizeTable {
  class_id: string;
  ingredient_id: string;
  position: number;
  unit_grams: number;
  units_per_pack: number;
  price: number | null;
}
export interface ShopStockTable {
  class_id: string;
  ingredient_id: string;
  grams: number;
}
export interface ShopExtraTable {
  id: Generated<string>;
  class_id: string;
  name: string;
  count: number;
  price: number | null;
}
export interface PrepOwnerTable {
  class_id: string;
  task: string;
  owner: string;
}
export interface TickEventTable {
  id: string;
  class_id: string;
  seq: Generated<string>;
  happened_at: number;
  account_id: string | null;
  list: string;
  key: string;
  is_on: boolean;
  body: unknown;
  device_off: Generated<number>;
  received_at: CreatedAt;
}
export interface LabelPrinterTable {
  is_only: Generated<boolean>;
  labels_left: number;
  is_jammed: boolean;
}
export interface LabelPrintTable {
  id: Generated<string>;
  class_id: string;
  container: string;
  stamp: string;
  printed_by: string | null;
  printed_at: CreatedAt;
}
export interface ClassStationTable {
  class_id: string;
  position: number;
  is_apart: boolean;
  measuring_set: string | null;
}
export interface ClassOrderTable {
  class_id: string;
  demo_surface: number | null;
  demo_number: number | null;
  demo_station: number | null;
  shows_first: boolean;
  is_wished: Generated<boolean>;
}
export interface ClassHouseRuleTable {
  class_id: string;
  doing: string;
  band: string;
  may: string;
}
export interface ClassLoadTable {
  class_id: string;
  position: number;
  surface: number;
  number: number;
}
export interface ClassLoadPartTable {
  class_id: string;
  load: number;
  position: number;
  station: number;
  pieces: number;
}
export interface ClassSeatTable {
  participant_id: string;
  class_id: string;
  station: number;
  position: number;
}
export interface SharedFoodTable {
  id: Generated<string>;
  class_id: string;
  position: number;
  name: string;
  brought_by: string;
  product: string | null;
  read_by: string | null;
  read_on: string | null;
  market: Market | null;
  looked_for: Generated<string[]>;
  foods: Generated<string[]>;
  own_station: number | null;
  own_ingredient_id: string | null;
  is_gluten_free: Generated<boolean>;
}
export interface SharedFoodSubstanceTable {
  food_id: string;
  substance: string;
  level: "contains" | "may-contain";
}
export interface LabelPhotoTable {
  class_id: string;
  ingredient_id: string;
  kind: string;
  bytes: Buffer;
  taken_at: CreatedAt;
}
export interface IntakeLinkTable {
  token_hash: string;
  class_id: string;
  participant_id: string | null;
  created_by: string | null;
  created_at: CreatedAt;
  expires_at: Instant;
  revoked_at: ColumnType<Date | null, Date | undefined, Date | null>;
}
export interface IntakeAnswerTable {
  id: Generated<string>;
  class_id: string;
  participant_id: string;
  body: unknown;
  received_at: CreatedAt;
}
export interface RemovedPersonTable {
  id: string;
  class_id: string;
  position: number;
  name: string;
  document: unknown;
  email: string | null;
  cared_for: string[];
  stamp_key: Generated<string>;
  was_pinned: boolean;
  removed_by: string | null;
  removed_at: CreatedAt;
  seat_station: number | null;
  seat_position: number | null;
}
export interface OutboxMailTable {
  id: Generated<string>;
  class_id: string | null;
  to_address: string;
  subject: string;
  body: string;
  written_at: CreatedAt;
}
export interface PlanChangeTable {
  id: Generated<string>;
  class_id: string;
  what: string;
  before: unknown;
  made_by: string | null;
  made_at: CreatedAt;
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
  device_off: Generated<number>;
  received_at: CreatedAt;
}
export interface ClassLogTable {
  class_id: string;
  pieces_made: number | null;
  note: string;
  names_nobody: Generated<boolean>;
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

export interface BackupRunTable {
  id: Generated<string>;
  ended_at: CreatedAt;
  is_good: boolean;
  file: string;
  bytes: number;
  problem: string | null;
}

/** Attempts counted by the rate limiter, in its own columns. */
export interface AttemptTable {
  key: string;
  points: number;
  expire: number | null;
}

export interface DB {
  backup_run: BackupRunTable;
  attempt: AttemptTable;
  account: AccountTable;
  login_session: LoginSessionTable;
  password_letter: PasswordLetterTable;
  setup_code: SetupCodeTable;
  known_origin: KnownOriginTable;
  ingredient: IngredientTable;
  ingredient_substance: IngredientSubstanceTable;
  recipe: RecipeTable;
  recipe_revision: RecipeRevisionTable;
  recipe_standing: RecipeStandingTable;
  revision_ingredient: RevisionIngredientTable;
  kitchen: KitchenTable;
  surface: SurfaceTable;
  kitchen_gear: KitchenGearTable;
  kitchen_round: KitchenRoundTable;
  class: ClassTable;
  class_dish: ClassDishTable;
  class_dish_take: ClassDishTakeTable;
  class_dish_round: ClassDishRoundTable;
  participant: ParticipantTable;
  participant_need: ParticipantNeedTable;
  label_reading: LabelReadingTable;
  allergy_decision: AllergyDecisionTable;
  label_substance: LabelSubstanceTable;
  class_pack: ClassPackTable;
  class_pack_size: ClassPackSizeTable;
  shop_stock: ShopStockTable;
  shop_extra: ShopExtraTable;
  prep_owner: PrepOwnerTable;
  tick_event: TickEventTable;
  label_printer: LabelPrinterTable;
  label_print: LabelPrintTable;
  circuit: CircuitTable;
  kitchen_floor: KitchenFloorTable;
  floor_mark: FloorMarkTable;
  class_station: ClassStationTable;
  class_seat: ClassSeatTable;
  class_order: ClassOrderTable;
  class_load: ClassLoadTable;
  class_house_rule: ClassHouseRuleTable;
  class_load_part: ClassLoadPartTable;
  shared_food: SharedFoodTable;
  shared_food_substance: SharedFoodSubstanceTable;
  label_photo: LabelPhotoTable;
  intake_link: IntakeLinkTable;
  intake_answer: IntakeAnswerTable;
  outbox_mail: OutboxMailTable;
  removed_person: RemovedPersonTable;
  plan_change: PlanChangeTable;
  stage_stamp: StageStampTable;
  live_run: LiveRunTable;
  live_event: LiveEventTable;
  class_log: ClassLogTable;
  audit_entry: AuditEntryTable;
}

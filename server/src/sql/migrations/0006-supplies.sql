-- Kinds of supply, what of a supply is a guess, storage forms, what was decided, packs and reorder levels; the tour; views of the list and lists of one’s own.

ALTER TABLE supplies
  ADD COLUMN kind text NOT NULL DEFAULT '',
  ADD COLUMN usual text[] NOT NULL DEFAULT '{}' CHECK (usual <@ ARRAY['width', 'depth', 'height', 'mass', 'working', 'backstock']),
  ADD COLUMN unsure text[] NOT NULL DEFAULT '{}' CHECK (unsure <@ ARRAY['width', 'depth', 'height', 'mass', 'working', 'backstock']),
  ADD COLUMN pack_of integer NOT NULL DEFAULT 1 CHECK (pack_of >= 1),
  ADD COLUMN reorder_at integer CHECK (reorder_at >= 0),
  ADD COLUMN storage text NOT NULL DEFAULT 'asBought'
    CHECK (storage IN ('asBought', 'loose', 'edge', 'magnet', 'pockets', 'jar', 'cards', 'ring', 'hanging')),
  ADD COLUMN decision text NOT NULL DEFAULT 'open' CHECK (decision IN ('open', 'keep', 'away', 'passOn', 'throw', 'undecided')),
  ADD COLUMN decide_by text CHECK (decide_by ~ '^\d{4}-\d\d-\d\d$');

ALTER TABLE places
  ADD COLUMN toured_on text CHECK (toured_on ~ '^\d{4}-\d\d-\d\d$');

CREATE TABLE list_views (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  columns text[] NOT NULL CHECK (cardinality(columns) >= 1),
  sort_by text NOT NULL,
  descending boolean NOT NULL,
  group_by text NOT NULL,
  filter text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE own_lists (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL CHECK (name <> ''),
  headings text[] NOT NULL,
  meanings text[] NOT NULL,
  measure text NOT NULL CHECK (measure IN ('metric', 'imperial')),
  PRIMARY KEY (plan_id, id)
);

-- The maker's line and the theme of a supply, more orders of a row, and where pieces kept cut lie; prices and recipes.

ALTER TABLE supplies
  ADD COLUMN line text NOT NULL DEFAULT '',
  ADD COLUMN theme text NOT NULL DEFAULT '';

ALTER TABLE colour_rows
  DROP CONSTRAINT colour_rows_order_check,
  ADD CONSTRAINT colour_rows_order_check CHECK ("order" IN ('rainbow', 'lightness', 'name', 'line', 'theme', 'size'));

ALTER TABLE cut_pieces
  ADD COLUMN place_id text,
  ADD FOREIGN KEY (plan_id, place_id) REFERENCES places (plan_id, id) DEFERRABLE INITIALLY DEFERRED;

CREATE TABLE prices (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  price double precision NOT NULL CHECK (price >= 0),
  PRIMARY KEY (plan_id, id)
);

CREATE TABLE recipes (
  plan_id text NOT NULL REFERENCES plans (id) ON DELETE CASCADE,
  id text NOT NULL,
  name text NOT NULL,
  text text NOT NULL,
  PRIMARY KEY (plan_id, id)
);

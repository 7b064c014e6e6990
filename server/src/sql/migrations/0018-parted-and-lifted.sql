-- expand: who helps may not be able to lift, a job says whether it is lifted, and what its maker parted or joined stays so.

ALTER TABLE free_times ADD COLUMN hands integer NOT NULL DEFAULT 0 CHECK (hands BETWEEN 0 AND 20);

ALTER TABLE jobs
  ADD COLUMN lifts boolean NOT NULL DEFAULT false,
  ADD COLUMN by_hand boolean NOT NULL DEFAULT false;

-- New kinds of unit (a kiln, a camera’s ground, a backdrop, what hangs under a top): a version of its own, so that an older Heronstone says that it is
-- the older one instead of finding a kind it does not know. No table is another.
SELECT 14;

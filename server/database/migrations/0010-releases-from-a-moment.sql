-- A release may hold from a moment on; without one it holds from when it was made. One that waits can be called off.
ALTER TABLE releases
  ADD COLUMN moment DATETIME(3) NULL AFTER released_at,
  ADD COLUMN holds_from DATETIME(3) AS (COALESCE(moment, released_at)) PERSISTENT AFTER moment,
  ADD COLUMN called_off_at DATETIME(3) NULL AFTER holds_from,
  ADD COLUMN called_off_by VARCHAR(100) NULL AFTER called_off_at,
  ADD COLUMN note VARCHAR(1000) NOT NULL DEFAULT '' AFTER called_off_by,
  ADD INDEX in_force (called_off_at, holds_from, number);

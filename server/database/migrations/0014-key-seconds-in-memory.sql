-- Counts of one second need not outlive the server: nothing is written to disk for them, which calls of shops would wait for.
DROP TABLE shop_key_seconds;

CREATE TABLE shop_key_seconds (
  number INT UNSIGNED NOT NULL PRIMARY KEY,
  second BIGINT UNSIGNED NOT NULL,
  taken INT UNSIGNED NOT NULL
) ENGINE = MEMORY;

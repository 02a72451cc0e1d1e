CREATE TABLE window_claims (
  order_id VARCHAR(100) NOT NULL PRIMARY KEY,
  option_id VARCHAR(64) NOT NULL,
  slot VARCHAR(64) NOT NULL,
  day DATE NOT NULL,
  claimed_at DATETIME(3) NOT NULL
);

CREATE TABLE window_counts (
  option_id VARCHAR(64) NOT NULL,
  slot VARCHAR(64) NOT NULL,
  day DATE NOT NULL,
  orders INT UNSIGNED NOT NULL,
  PRIMARY KEY (option_id, slot, day)
);

-- Orders that were made. Where and when are as the release of the time says; amounts are minor units of the currency.
CREATE TABLE orders (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  number VARCHAR(100) NOT NULL UNIQUE,
  placed_at DATETIME(3) NOT NULL,
  day DATE NOT NULL,
  currency CHAR(3) NOT NULL,
  total BIGINT UNSIGNED NOT NULL,
  charged BIGINT UNSIGNED NOT NULL,
  cost BIGINT UNSIGNED NULL,
  chosen VARCHAR(64) NULL,
  market VARCHAR(64) NULL,
  zone VARCHAR(64) NULL,
  channel VARCHAR(64) NULL,
  buyer VARCHAR(16) NULL,
  shopper VARCHAR(100) NULL,
  made_under BIGINT UNSIGNED NULL,
  is_cancelled BOOLEAN NOT NULL,
  request MEDIUMTEXT NULL,
  content_hash BINARY(32) NOT NULL,
  INDEX by_day (day, currency),
  INDEX by_shopper (shopper),
  CONSTRAINT orders_made_under FOREIGN KEY (made_under) REFERENCES releases (number) ON DELETE SET NULL
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- What of a line is no figure of its own stands in `more`, as the request has it.
CREATE TABLE order_lines (
  order_id BIGINT UNSIGNED NOT NULL,
  position SMALLINT UNSIGNED NOT NULL,
  sku VARCHAR(64) NOT NULL,
  quantity INT UNSIGNED NOT NULL,
  unit_price BIGINT UNSIGNED NOT NULL,
  discount BIGINT UNSIGNED NULL,
  more MEDIUMTEXT NULL,
  PRIMARY KEY (order_id, position),
  CONSTRAINT lines_of_order FOREIGN KEY (order_id) REFERENCES orders (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- The ways in which the worth of orders has been counted.
CREATE TABLE countings (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  counting_hash BINARY(32) NOT NULL UNIQUE,
  body MEDIUMTEXT NOT NULL
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- Orders of a day rolled up: `worths` is "worth:orders:charged" with commas between; what cannot be counted so is `uncounted`.
CREATE TABLE order_days (
  counting INT UNSIGNED NOT NULL,
  day DATE NOT NULL,
  currency CHAR(3) NOT NULL,
  market VARCHAR(64) NOT NULL,
  zone VARCHAR(64) NOT NULL,
  channel VARCHAR(64) NOT NULL,
  buyer VARCHAR(16) NOT NULL,
  orders INT UNSIGNED NOT NULL,
  uncounted INT UNSIGNED NOT NULL,
  worths MEDIUMTEXT NOT NULL,
  PRIMARY KEY (counting, currency, day, market, zone, channel, buyer),
  INDEX by_day (counting, day),
  CONSTRAINT days_of_counting FOREIGN KEY (counting) REFERENCES countings (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- Days whose orders have changed since they were rolled up; `turn` tells a change from one that came while they were.
CREATE TABLE order_days_due (
  counting INT UNSIGNED NOT NULL,
  day DATE NOT NULL,
  turn BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (counting, day),
  CONSTRAINT days_due_of_counting FOREIGN KEY (counting) REFERENCES countings (id) ON DELETE CASCADE
);

-- Rows of a file of orders, kept aside until somebody has seen what is wrong with them.
CREATE TABLE order_imports (
  import VARCHAR(64) NOT NULL,
  position INT UNSIGNED NOT NULL,
  number VARCHAR(100) NULL,
  body MEDIUMTEXT NULL,
  fault MEDIUMTEXT NULL,
  begun_at DATETIME(3) NOT NULL,
  PRIMARY KEY (import, position),
  INDEX by_number (import, number, position),
  INDEX by_time (begun_at)
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- Goals that markets had before the store's releases tell of them.
CREATE TABLE past_goals (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  market VARCHAR(64) NOT NULL,
  currency CHAR(3) NOT NULL,
  goal BIGINT UNSIGNED NOT NULL,
  from_day DATE NOT NULL,
  until_day DATE NULL
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

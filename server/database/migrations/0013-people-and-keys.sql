-- Names are compared by their key: in lower case, one way of writing each letter.
CREATE TABLE people (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(100) NOT NULL,
  name_key VARCHAR(100) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL UNIQUE,
  role VARCHAR(16) NOT NULL,
  password VARCHAR(200) NULL,
  password_set_at DATETIME(3) NULL,
  second_factor VARCHAR(64) NULL,
  second_factor_step BIGINT UNSIGNED NOT NULL DEFAULT 0,
  made_at DATETIME(3) NOT NULL,
  left_at DATETIME(3) NULL
);

CREATE TABLE sessions (
  number BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  token_hash BINARY(32) NOT NULL UNIQUE,
  person INT UNSIGNED NOT NULL,
  made_at DATETIME(3) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  ends_at DATETIME(3) NOT NULL,
  address VARCHAR(64) NOT NULL,
  agent VARCHAR(300) NOT NULL,
  section VARCHAR(32) NULL,
  thing VARCHAR(200) NULL,
  at_work_at DATETIME(3) NULL,
  INDEX of_person (person),
  CONSTRAINT sessions_of_person FOREIGN KEY (person) REFERENCES people (id) ON DELETE CASCADE
);

CREATE TABLE one_time_links (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  person INT UNSIGNED NOT NULL,
  kind VARCHAR(16) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  ends_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  CONSTRAINT links_of_person FOREIGN KEY (person) REFERENCES people (id) ON DELETE CASCADE
);

CREATE TABLE sign_in_failures (
  about VARCHAR(130) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL PRIMARY KEY,
  failures INT UNSIGNED NOT NULL,
  last_at DATETIME(3) NOT NULL,
  waits_until DATETIME(3) NOT NULL,
  INDEX by_time (last_at)
);

CREATE TABLE shop_keys (
  number INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(100) NOT NULL,
  secret_hash BINARY(32) NOT NULL UNIQUE,
  rights VARCHAR(200) NOT NULL,
  a_second INT UNSIGNED NOT NULL,
  made_by VARCHAR(100) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  last_used_at DATETIME(3) NULL,
  revoked_at DATETIME(3) NULL,
  revoked_by VARCHAR(100) NULL
);

-- What all processes together have taken of a key's calls in one second.
CREATE TABLE shop_key_seconds (
  number INT UNSIGNED NOT NULL PRIMARY KEY,
  second BIGINT UNSIGNED NOT NULL,
  taken INT UNSIGNED NOT NULL,
  CONSTRAINT seconds_of_key FOREIGN KEY (number) REFERENCES shop_keys (number) ON DELETE CASCADE
);

CREATE TABLE settings (
  name VARCHAR(64) NOT NULL PRIMARY KEY,
  value TEXT NOT NULL
);

-- What is done about people, keys and settings; changes, releases and claims are logged where they are.
CREATE TABLE events (
  number BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  made_by VARCHAR(100) NOT NULL,
  what VARCHAR(32) NOT NULL,
  about VARCHAR(1000) NOT NULL,
  address VARCHAR(64) NOT NULL,
  INDEX by_time (at)
);

-- A release that waits for a second person.
CREATE TABLE release_requests (
  sequence BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  asked_by VARCHAR(100) NOT NULL,
  asked_at DATETIME(3) NOT NULL,
  moment DATETIME(3) NULL,
  note VARCHAR(1000) NOT NULL
);

ALTER TABLE releases ADD COLUMN asked_by VARCHAR(100) NULL AFTER released_by;
ALTER TABLE redemptions
  ADD COLUMN claimed_by VARCHAR(110) NOT NULL DEFAULT '',
  ADD INDEX by_time (claimed_at);
ALTER TABLE change_sets ADD INDEX by_time (made_at);

CREATE TABLE product_imports (
  import VARCHAR(64) NOT NULL,
  position INT UNSIGNED NOT NULL,
  body LONGTEXT NOT NULL,
  begun_at DATETIME(3) NOT NULL,
  PRIMARY KEY (import, position)
);

CREATE TABLE kept (
  kind VARCHAR(16) NOT NULL,
  id VARCHAR(64) NOT NULL,
  name VARCHAR(100) NOT NULL,
  body LONGTEXT NOT NULL,
  kept_at DATETIME(3) NOT NULL,
  PRIMARY KEY (kind, id)
);

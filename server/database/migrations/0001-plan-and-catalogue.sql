CREATE TABLE draft_head (
  id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  sequence BIGINT UNSIGNED NOT NULL
);

INSERT INTO draft_head (id, sequence) VALUES (1, 0);

CREATE TABLE draft_entities (
  kind VARCHAR(16) NOT NULL,
  id VARCHAR(64) NOT NULL,
  position INT UNSIGNED NOT NULL,
  body LONGTEXT NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (kind, id)
);

CREATE TABLE change_sets (
  sequence BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  made_by VARCHAR(100) NOT NULL,
  made_at DATETIME(3) NOT NULL
);

CREATE TABLE changes (
  sequence BIGINT UNSIGNED NOT NULL,
  kind VARCHAR(16) NOT NULL,
  id VARCHAR(64) NOT NULL,
  body_before LONGTEXT NULL,
  body_after LONGTEXT NULL,
  PRIMARY KEY (sequence, kind, id),
  CONSTRAINT changes_of_set FOREIGN KEY (sequence) REFERENCES change_sets (sequence)
);

CREATE TABLE releases (
  number BIGINT UNSIGNED NOT NULL PRIMARY KEY,
  sequence BIGINT UNSIGNED NOT NULL,
  plan LONGTEXT NOT NULL,
  checksum CHAR(64) NOT NULL,
  released_by VARCHAR(100) NOT NULL,
  released_at DATETIME(3) NOT NULL
);

CREATE TABLE products (
  sku VARCHAR(64) NOT NULL PRIMARY KEY,
  name VARCHAR(200) NOT NULL,
  tax_rate VARCHAR(16) NULL,
  position INT UNSIGNED NOT NULL
);

CREATE TABLE product_prices (
  sku VARCHAR(64) NOT NULL,
  currency CHAR(3) NOT NULL,
  minor BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (sku, currency),
  CONSTRAINT prices_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE
);

CREATE TABLE product_categories (
  sku VARCHAR(64) NOT NULL,
  category VARCHAR(64) NOT NULL,
  PRIMARY KEY (sku, category),
  CONSTRAINT categories_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE
);

CREATE TABLE sample_carts (
  id VARCHAR(64) NOT NULL PRIMARY KEY,
  position INT UNSIGNED NOT NULL,
  name VARCHAR(100) NOT NULL
);

CREATE TABLE sample_cart_lines (
  cart VARCHAR(64) NOT NULL,
  position INT UNSIGNED NOT NULL,
  sku VARCHAR(64) NOT NULL,
  quantity INT UNSIGNED NOT NULL,
  PRIMARY KEY (cart, position),
  CONSTRAINT lines_of_cart FOREIGN KEY (cart) REFERENCES sample_carts (id) ON DELETE CASCADE,
  CONSTRAINT products_of_lines FOREIGN KEY (sku) REFERENCES products (sku)
);

-- What a store says of its goods and deliveries: the margin on a category, or on everything else ("" as subject), in hundredths of a
-- percent; what a delivery counts as that is given away, by currency, in its minor units; how many shoppers go for a goal, by market
-- and currency, in hundredths of a percent.
CREATE TABLE stated_figures (
  kind VARCHAR(16) NOT NULL,
  subject VARCHAR(200) NOT NULL,
  figure BIGINT UNSIGNED NOT NULL,
  PRIMARY KEY (kind, subject)
) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

-- Of the orders of a day, what their goods come to: a list of [categories, worth], as JSON.
ALTER TABLE order_days ADD COLUMN goods MEDIUMTEXT NOT NULL DEFAULT '[]';
INSERT IGNORE INTO order_days_due (counting, day, turn) SELECT DISTINCT counting, day, UUID_SHORT() FROM order_days;

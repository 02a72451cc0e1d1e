-- Names are compared byte for byte, spaces at their end too: "Ab1", "ab1" and "ab1 " are three orders, as they are to quotes.
-- A column that a foreign key holds cannot be converted, so the keys go first and come back.
ALTER TABLE product_prices DROP FOREIGN KEY prices_of_product;
ALTER TABLE product_categories DROP FOREIGN KEY categories_of_product;
ALTER TABLE product_tags DROP FOREIGN KEY tags_of_product;
ALTER TABLE product_own_charges DROP FOREIGN KEY own_charges_of_product;
ALTER TABLE sample_cart_lines DROP FOREIGN KEY lines_of_cart;
ALTER TABLE sample_cart_lines DROP FOREIGN KEY products_of_lines;

ALTER TABLE draft_entities CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE changes CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE products CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE product_prices CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE product_categories CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE product_tags CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE product_own_charges CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE sample_carts CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE sample_cart_lines CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE product_imports CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE kept CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE redemptions CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;
ALTER TABLE redemption_counts CONVERT TO CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin;

ALTER TABLE product_prices ADD CONSTRAINT prices_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE;
ALTER TABLE product_categories ADD CONSTRAINT categories_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE;
ALTER TABLE product_tags ADD CONSTRAINT tags_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE;
ALTER TABLE product_own_charges ADD CONSTRAINT own_charges_of_product FOREIGN KEY (sku) REFERENCES products (sku) ON DELETE CASCADE;
ALTER TABLE sample_cart_lines ADD CONSTRAINT lines_of_cart FOREIGN KEY (cart) REFERENCES sample_carts (id) ON DELETE CASCADE;
ALTER TABLE sample_cart_lines ADD CONSTRAINT products_of_lines FOREIGN KEY (sku) REFERENCES products (sku);

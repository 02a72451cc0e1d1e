-- How a line of a sample cart is sold, where that is not as the catalogue has it; codes and discounts of the whole cart.
ALTER TABLE sample_cart_lines ADD COLUMN as_sold LONGTEXT NULL CHECK (as_sold IS NULL OR JSON_VALID(as_sold));
ALTER TABLE sample_carts ADD COLUMN besides LONGTEXT NULL CHECK (besides IS NULL OR JSON_VALID(besides));

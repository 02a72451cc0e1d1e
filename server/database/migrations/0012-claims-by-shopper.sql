-- What is kept of one shopper is looked up, and erased.
ALTER TABLE redemptions ADD INDEX by_shopper (shopper, claimed_at);

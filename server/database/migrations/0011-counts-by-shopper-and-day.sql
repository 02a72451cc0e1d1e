-- Quotes ask for everybody's uses at once, and for what windows hold from a day on.
ALTER TABLE redemption_counts ADD INDEX by_shopper (shopper, offer);
ALTER TABLE window_counts ADD INDEX by_day (day);

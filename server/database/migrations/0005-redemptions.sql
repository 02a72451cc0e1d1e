CREATE TABLE redemptions (
  order_id VARCHAR(100) NOT NULL,
  offer VARCHAR(64) NOT NULL,
  shopper VARCHAR(100) NULL,
  claimed_at DATETIME(3) NOT NULL,
  given_back_at DATETIME(3) NULL,
  PRIMARY KEY (order_id, offer)
);

CREATE TABLE redemption_counts (
  offer VARCHAR(64) NOT NULL,
  shopper VARCHAR(100) NOT NULL,
  used INT UNSIGNED NOT NULL,
  PRIMARY KEY (offer, shopper)
);

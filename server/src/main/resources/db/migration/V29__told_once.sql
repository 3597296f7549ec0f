-- That somebody was put off stands in the trail once for each wait, however often he tries meanwhile.
ALTER TABLE sign_in_throttle ADD COLUMN told boolean NOT NULL DEFAULT false;

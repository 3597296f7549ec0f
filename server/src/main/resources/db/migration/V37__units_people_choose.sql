-- Which unit a kind of quantity is shown in. The subject is an account, a client of the plant, or, all zeros, everybody.
CREATE TABLE unit_choice (
    subject  uuid NOT NULL,
    kind     text NOT NULL,
    unit     text NOT NULL,
    decimals integer CHECK (decimals BETWEEN 0 AND 6),
    PRIMARY KEY (subject, kind)
);

-- A unit the company made itself: one of it is factor of the base unit, its zero lies at zero_at of the base unit.
CREATE TABLE own_unit (
    symbol  text PRIMARY KEY,
    name    text NOT NULL,
    base    text NOT NULL,
    factor  text NOT NULL,
    zero_at text NOT NULL
);

-- Pieces of transfers that nobody ever went on with are dropped after a while.
ALTER TABLE transfer_piece ADD COLUMN arrived_at timestamptz NOT NULL DEFAULT now();

-- Pictures of what stands in the plant, with a spot for each point that is seen on them.
CREATE TABLE picture (
    id uuid PRIMARY KEY,
    node_id uuid NOT NULL REFERENCES node,
    title text NOT NULL,
    media_type text NOT NULL CHECK (media_type IN ('image/png', 'image/jpeg')),
    width integer NOT NULL,
    height integer NOT NULL,
    sha256 text NOT NULL,
    bytes bytea NOT NULL,
    at timestamptz NOT NULL,
    actor text NOT NULL,
    removed boolean NOT NULL DEFAULT false,
    version integer NOT NULL DEFAULT 0
);
CREATE INDEX picture_node ON picture (node_id) WHERE NOT removed;
CREATE TABLE picture_spot (
    picture_id uuid NOT NULL REFERENCES picture,
    node_id uuid NOT NULL REFERENCES node,
    x double precision NOT NULL CHECK (x BETWEEN 0 AND 1),
    y double precision NOT NULL CHECK (y BETWEEN 0 AND 1),
    PRIMARY KEY (picture_id, node_id)
);
CREATE INDEX picture_spot_node ON picture_spot (node_id);

-- What a technician is shown at a stop.
ALTER TABLE route_stop ADD COLUMN picture_id uuid REFERENCES picture;

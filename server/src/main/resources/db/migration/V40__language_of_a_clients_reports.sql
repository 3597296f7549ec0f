-- In which language the reports of a client are written; the client is a node of the plant.
CREATE TABLE report_choice (
    client   uuid PRIMARY KEY,
    language text NOT NULL
);

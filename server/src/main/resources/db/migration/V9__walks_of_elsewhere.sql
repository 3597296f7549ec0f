-- A walk may follow a route of another Rovek: its readings are taken all the same.
ALTER TABLE visit DROP CONSTRAINT visit_route_id_fkey;

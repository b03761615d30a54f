-- what a job that waits takes of its resin; null while nobody said, then what its last print took is taken for it
alter table wanted_job add column resin_ml double precision check (resin_ml > 0);

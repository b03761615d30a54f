-- what was emptied or sieved lately is asked for by its time alone
create index service_at on service (at desc);

-- what somebody read last in a room
create index room_reading_newest on room_reading (room_id, at desc, id desc);
create view room_last_read as
select r.id as room_id, (
  select x.id from room_reading x use index (room_reading_newest) where x.room_id = r.id and not x.withdrawn
  order by x.room_id, x.at desc, x.id desc fetch first row only) as reading_id
from room r;

-- the last run of a job on a machine
create index run_job_machine on run (job_key, machine_id, started_at desc);

-- a failure with the next start on its machine: what ended in between, ended by it
create index run_next on run (machine_id, started_at);
create view failure_before as
select f.id, f.machine_id, f.cause, f.seen_at, (
  select r.started_at from run r use index (run_next)
  where r.machine_id = f.machine_id and r.started_at > f.seen_at and not r.withdrawn
  order by r.machine_id, r.started_at fetch first row only) as next_start
from failure f where not f.withdrawn;

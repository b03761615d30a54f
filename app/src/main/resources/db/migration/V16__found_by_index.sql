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

-- a verdict as it was judged when it was named, without itself: share of what was seen that the cause began, and the
-- largest share of one symptom that it explains; null while nobody judged it. When somebody said that it is mended.
alter table failure add column began double precision;
alter table failure add column explains double precision;
alter table failure add column mended_at timestamp(6) with time zone;

-- derived: whether the machine is watched for a cause that is only presumed
alter table open_cause add column watched boolean default true not null;

-- zones of the plate that a run covered, as bits; null where that was not worked out yet
alter table run_footprint add column zones int;

create or replace view failure_seen as
select id, machine_id, run_id, seen_at, cause, certainty, cause_at, parts_printed, parts_lost, began, explains, mended_at
from failure where not withdrawn;

create view failure_at as
select z.failure_id, z.zone, f.machine_id
from failure_zone z join failure f on f.id = z.failure_id and not f.withdrawn;

-- checks that found the cause that was named
create view cause_checked as
select distinct f.id as failure_id, f.machine_id
from failure f join failure_check c on c.failure_id = f.id and not c.withdrawn
where not f.withdrawn and locate(',' || f.cause || ',', ',' || c.found || ',') > 0;

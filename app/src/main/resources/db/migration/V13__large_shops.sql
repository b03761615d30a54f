-- what a shop of fifty machines needs to be as quick as one of seven

create index if not exists service_time on service (machine_id, at desc);
create index if not exists pour_last on pour (vat_id, at desc, id desc);

-- the resin that was poured into a vat last
create view vat_poured as
select v.id as vat_id, x.resin_id
from component v join pour x on x.id = (
  select p.id from pour p use index (pour_last) where p.vat_id = v.id and not p.withdrawn
  order by p.vat_id, p.at desc, p.id desc fetch first row only)
where v.kind = 'VAT';

-- what was read in the room of a run before it ended, not long before it began; null where nothing was
create index room_reading_last on room_reading (room_id, at desc);
create view run_room as
select r.id as run_id, (
  select t.temperature_c from room_reading t use index (room_reading_last)
  where t.room_id = m.room_id and not t.withdrawn and t.at <= r.ended_at
    and t.at > dateadd(hour, -36, r.started_at)
  order by t.room_id, t.at desc fetch first row only) as room_c
from run r join machine m on m.id = r.machine_id
where r.ended_at is not null and not r.withdrawn;

-- nearly all runs are not withdrawn: an index that begins with it leads to all of them
drop index run_withdrawn;
alter table run add column withdrawn_of bigint generated always as (case when withdrawn then machine_id end);
create index run_withdrawn_of on run (withdrawn_of);
drop view run_not_ended;
create view run_not_ended as
select id, withdrawn_of as machine_id, job, started_at from run where withdrawn_of is not null
union all
select id, machine_id, job, started_at from run where ended_at is null and not withdrawn;

-- two people at once: what both may edit carries a version
alter table machine_model add column version int default 0 not null;
alter table resin add column version int default 0 not null;
alter table stock_item add column version int default 0 not null;
alter table room_air add column version int default 0 not null;
alter table shop add column version int default 0 not null;

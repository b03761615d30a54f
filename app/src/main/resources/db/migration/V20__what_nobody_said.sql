-- what was known of a machine when it came: print hours since it was greased and since its plate was abraded,
-- null where nobody said; whether its vat was said to be empty
alter table machine add column lubricated_before_hours double precision;
alter table machine add column abraded_before_hours double precision;
alter table machine add column vat_said_empty boolean default false not null;

create view machine_before as
select id as machine_id, lubricated_before_hours, abraded_before_hours, vat_said_empty from machine;

-- parts of which nobody said what they had done before
create view part_unsaid as select id as part_id from component where not hours_known and not withdrawn;

-- derived: whether it is on record when
alter table machine_standing add column lubrication_known boolean default false not null;
alter table machine_standing add column abrading_known boolean default false not null;
alter table machine_standing add column vat_known boolean default false not null;
update machine_standing x set
  lubrication_known = exists (select 1 from service s
    where s.machine_id = x.machine_id and s.kind = 'LUBRICATION' and not s.withdrawn),
  abrading_known = exists (select 1 from service s
    where s.machine_id = x.machine_id and s.kind = 'PLATE_WORK' and not s.withdrawn and not s.deburred),
  vat_known = x.vat_resin is not null
    or exists (select 1 from service s where s.vat_id = x.vat_id and s.emptied and not s.withdrawn);

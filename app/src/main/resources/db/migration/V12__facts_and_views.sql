-- what a run really did, up to the layer that it reached; reckoned once, when it is written
alter table run add column hours double precision generated always as (
  case when ended_at is null then null
  else cast(datediff(millisecond, started_at, ended_at) as double precision) / 3600000 end);
alter table run add column peels bigint generated always as (
  case when ended_at is null then null else cast(coalesce(reached_layer, layers) as bigint) end);
alter table run add column uv_hours double precision generated always as (
  case when ended_at is null then null else coalesce(reached_layer, layers) * layer_exposure_s / 3600 end);
-- what somebody saw to be gone, where somebody looked; before there was a place for it, it stood in resin_ml
alter table run add column measured_ml double precision;
update run set measured_ml = resin_ml where ended_at is not null and reached_layer < layers;
alter table run add column used_ml double precision generated always as (
  case when ended_at is null then null
  else coalesce(measured_ml,
    resin_ml * coalesce(least(1, cast(reached_layer as double precision) / nullif(layers, 0)), 1)) end);
alter table run add column came_out boolean generated always as (
  case when ended_at is null then null else coalesce(outcome in ('GOOD', 'USABLE'), false) end);

-- what is searched for in what a service says stands in columns of its own
alter table service add column sieved boolean default false not null;
update service set sieved = true where content like '%"sieved":true%';
alter table service add column deburred boolean default false not null;
update service set deburred = true where kind = 'PLATE_WORK' and content like '%DEBURRED%';
alter table service add column firmware varchar(200);
update service set firmware = regexp_replace(content, '^.*"version":"([^"]*)".*$', '$1')
  where kind = 'FIRMWARE' and content like '%"version":"%';
alter table failure_check add column leak boolean default false not null;
update failure_check set leak = true
  where regexp_like(found, '(^|,)(film-pierced|spill|resin-on-screen)(,|$)');

-- codes that several people may take at once
create sequence bottle_number start with 1;
alter sequence bottle_number restart with (select coalesce(max(cast(regexp_substr(code, '[0-9]+') as int)), 0) + 1
  from bottle where regexp_like(code, '^[A-Z][0-9]{1,8}$'));
create sequence pack_number start with 1;
alter sequence pack_number restart with (select coalesce(max(cast(regexp_substr(code, '[0-9]+') as int)), 0) + 1
  from film_pack where regexp_like(code, '^[A-Z][0-9]{1,8}$'));
create sequence bath_number start with 1;
alter sequence bath_number restart with (select coalesce(max(cast(regexp_substr(code, '[0-9]+') as int)), 0) + 1
  from bath where regexp_like(code, '^[A-Z][0-9]{1,8}$'));

-- derived: what a machine did in each thirty days since 1970, so that sums over years read a few rows
alter table run add column job_key varchar(120) generated always as (lower(job));
create index run_job on run (job_key, started_at desc);
alter table run add column period int generated always as (
  cast(floor(extract(epoch from started_at) / 2592000) as int));
create table run_period (
  machine_id bigint not null references machine,
  period int not null,
  prints bigint not null,
  hours double precision not null,
  uv_hours double precision not null,
  layers bigint not null,
  resin_ml double precision not null,
  primary key (machine_id, period)
);
create view run_fact as
select id, machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, outcome, reached_layer,
  profile_version_id, again_of, period, job_key, hours, peels, uv_hours, used_ml, came_out
from run where not withdrawn;
create view run_going_on as
select id, machine_id, job, started_at, layers, layer_exposure_s, profile_version_id
from run where ended_at is null and not withdrawn;
insert into run_period (machine_id, period, prints, hours, uv_hours, layers, resin_ml)
select machine_id, period, count(*), sum(hours), sum(uv_hours), sum(peels), sum(used_ml)
from run_fact where ended_at is not null group by machine_id, period;

-- the questions that many rooms ask, each answered here once

create view person_name as select id, name from person;

create view room_card as select id, code, name, retired_at from room;

create view model_card as
select id, code, name, kind, plate_width_mm, plate_depth_mm, plate_height_mm, pixels_x, pixels_y, fill_line_ml,
  self_levelling, whole_area_light, level_joint, window_length_mm, window_width_mm, retired_at
from machine_model;

create view machine_card as
select m.id, m.code, m.name, m.since, m.baseline_hours, m.retired_at, m.levels_after_each_print, m.levelling_school,
  m.controller, o.id as model_id, o.code as model_code, o.name as model_name, o.kind, o.plate_width_mm,
  o.plate_depth_mm, o.plate_height_mm, o.fill_line_ml, o.self_levelling, o.whole_area_light, o.level_joint,
  r.id as room_id, r.code as room_code, r.name as room_name
from machine m join machine_model o on o.id = m.model_id join room r on r.id = m.room_id;

-- vats, films, screens, plates, light engines, those taken back left out
create view part_card as
select id, kind, number, code, model_id, material, thickness_mm, serial, since, baseline_hours, baseline_uv_hours,
  baseline_layers, baseline_prints, ended_at, end_reason, note, made_by, pack_id, part_model_id, batch, bought_on,
  warranty_until, price
from component where not withdrawn;

-- where a part is or was; until is far away while it is there
create view part_place as
select f.id, f.component_id as part_id, c.kind, f.machine_id, f.vat_id, f.fitted_at as since,
  coalesce(f.removed_at, timestamp with time zone '9999-01-01 00:00:00+00') as until, f.removed_at
from fitting f join component c on c.id = f.component_id and not c.withdrawn;

-- on which machine a part is or was: films by way of the vat that they were in
create view part_on_machine as
select f.id, f.id as vat_fitting_id, f.component_id as part_id, c.kind, f.machine_id, cast(null as bigint) as vat_id,
  f.fitted_at as since, coalesce(f.removed_at, timestamp with time zone '9999-01-01 00:00:00+00') as until
from fitting f join component c on c.id = f.component_id and not c.withdrawn where f.machine_id is not null
union all
select f.id, v.id, f.component_id, c.kind, v.machine_id, f.vat_id, greatest(f.fitted_at, v.fitted_at),
  least(coalesce(f.removed_at, timestamp with time zone '9999-01-01 00:00:00+00'),
    coalesce(v.removed_at, timestamp with time zone '9999-01-01 00:00:00+00'))
from fitting f join component c on c.id = f.component_id and not c.withdrawn
join fitting v on v.component_id = f.vat_id and v.machine_id is not null
  and (v.removed_at is null or v.removed_at > f.fitted_at) and (f.removed_at is null or f.removed_at > v.fitted_at);

-- what a part has been through since it was new
create view part_usage as
select c.id as part_id, coalesce(t.hours, 0) + c.baseline_hours as hours,
  coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours, coalesce(t.layers, 0) + c.baseline_layers as layers,
  coalesce(t.prints, 0) + c.baseline_prints as prints, coalesce(t.resin_ml, 0) as resin_ml
from component c left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id where not c.withdrawn;

-- runs, those taken back left out; what they did is null while they go on
create view profile_made as
select v.id, v.number, v.made_at, p.id as profile_id, p.machine_id, p.resin_id
from profile_version v join profile p on p.id = v.profile_id;

create view profile_amount as select version_id, setting, amount from profile_setting;

create view service_done as
select id, kind, machine_id, vat_id, at, clean, emptied, leak, sieved, deburred, firmware, readings, resin_left_ml,
  drying_until, note
from service where not withdrawn;

create view failure_seen as
select id, machine_id, run_id, seen_at, cause, certainty, cause_at, parts_printed, parts_lost
from failure where not withdrawn;

create view symptom_seen as
select s.failure_id, s.symptom, f.machine_id, f.run_id, f.seen_at
from failure_symptom s join failure f on f.id = s.failure_id and not f.withdrawn where s.present;

create view leak_found as
select c.id, c.at, f.machine_id
from failure_check c join failure f on f.id = c.failure_id and not f.withdrawn where c.leak and not c.withdrawn;

create view resin_card as
select id, code, name, density_g_per_ml, pigment_family, temperature_from_c, temperature_to_c, nature, washed_in,
  retired_at
from resin;

-- poured into a vat, or taken out of it again
create view pour_made as
select p.id, p.vat_id, p.resin_id, r.code as resin, p.ml, p.at, p.kind, p.bottle_id
from pour p join resin r on r.id = p.resin_id where not p.withdrawn;

create index failure_check_leak on failure_check (leak, failure_id);

-- machines as the logbook names them, those that left the shop too
create view log_machine as select id, code, name from machine;

create index service_kind on service (kind, machine_id, at desc);
create view machine_firmware as
select machine_id, firmware from (
  select machine_id, firmware, row_number() over (partition by machine_id order by at desc, id desc) as n
  from service where kind = 'FIRMWARE' and machine_id is not null and not withdrawn) where n = 1;


create index fitting_now on fitting (removed_at, machine_id);

-- parts that are fitted now, with what they have been through; a film is on the machine that its vat is on
create view part_fitted as
select c.id, coalesce(f.machine_id, vf.machine_id) as machine_id, c.number, c.kind, c.code, o.name as model, c.material,
  c.thickness_mm, c.serial, c.since, f.fitted_at, c.ended_at, c.end_reason, coalesce(m.code, v.code) as carrier,
  coalesce(m.name, 'Vat ' || v.code) as carrier_name, vm.code as vat_machine, fc.code as film,
  coalesce(t.hours, 0) + c.baseline_hours as hours, coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours,
  coalesce(t.layers, 0) + c.baseline_layers as layers, coalesce(t.prints, 0) + c.baseline_prints as prints,
  coalesce(t.resin_ml, 0) as resin_ml
from fitting f join component c on c.id = f.component_id and not c.withdrawn
left join machine m on m.id = f.machine_id left join component v on v.id = f.vat_id
left join fitting vf on vf.component_id = f.vat_id and vf.removed_at is null
left join machine vm on vm.id = vf.machine_id
left join fitting ff on ff.vat_id = c.id and ff.removed_at is null left join component fc on fc.id = ff.component_id
left join machine_model o on o.id = c.model_id
left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
where f.removed_at is null;

-- the same of every part, wherever it is
create view part_anywhere as
select c.id, coalesce(f.machine_id, vf.machine_id) as machine_id, c.number, c.kind, c.code, o.name as model, c.material,
  c.thickness_mm, c.serial, c.since, f.fitted_at, c.ended_at, c.end_reason, coalesce(m.code, v.code) as carrier,
  coalesce(m.name, 'Vat ' || v.code) as carrier_name, vm.code as vat_machine, fc.code as film,
  coalesce(t.hours, 0) + c.baseline_hours as hours, coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours,
  coalesce(t.layers, 0) + c.baseline_layers as layers, coalesce(t.prints, 0) + c.baseline_prints as prints,
  coalesce(t.resin_ml, 0) as resin_ml
from component c left join fitting f on f.component_id = c.id and f.removed_at is null
left join machine m on m.id = f.machine_id left join component v on v.id = f.vat_id
left join fitting vf on vf.component_id = f.vat_id and vf.removed_at is null
left join machine vm on vm.id = vf.machine_id
left join fitting ff on ff.vat_id = c.id and ff.removed_at is null left join component fc on fc.id = ff.component_id
left join machine_model o on o.id = c.model_id
left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
where not c.withdrawn;

-- films and screens with the model that they serve, what they have been through, and where they were last
create view part_aged as
select c.id, c.number, c.kind, c.code, coalesce(o.name, vo.name, mo.name) as model,
  coalesce(o.kind, vo.kind, mo.kind) as machine_kind, coalesce(t.hours, 0) + c.baseline_hours as hours,
  coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours, coalesce(t.layers, 0) + c.baseline_layers as layers,
  c.ended_at, c.end_reason, coalesce(m.name, 'vat ' || v.code) as place, v.code as vat,
  coalesce(l.removed_at is null and l.id is not null, false) as fitted, coalesce(m.id, (
    select max(x.machine_id) from fitting x where x.component_id = v.id and x.machine_id is not null
    and x.fitted_at <= c.ended_at and (x.removed_at is null or x.removed_at >= c.ended_at))) as ended_on
from component c
left join fitting l on l.id = (select max(x.id) from fitting x where x.component_id = c.id)
left join component v on v.id = l.vat_id left join machine_model vo on vo.id = v.model_id
left join machine m on m.id = l.machine_id left join machine_model mo on mo.id = m.model_id
left join machine_model o on o.id = c.model_id
left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
where not c.withdrawn and c.kind in ('FILM', 'SCREEN');

-- the plate that a film or screen serves
create view part_plate as
select c.id as part_id, o.id as model_id, o.plate_width_mm, o.plate_depth_mm
from component c join machine_model o on o.id = coalesce(c.model_id,
  (select v.model_id from fitting f join component v on v.id = f.vat_id
    where f.component_id = c.id fetch first row only),
  (select m.model_id from fitting f join machine m on m.id = f.machine_id
    where f.component_id = c.id fetch first row only))
where not c.withdrawn;

create index component_withdrawn on component (withdrawn);
create view part_taken_back as select id from component where withdrawn;

-- what a sensor said last, for the line at the top of every page
alter table sensor add column last_s bigint;
alter table sensor add column last_temperature_c double precision;
alter table sensor add column last_humidity_percent double precision;
update sensor s set last_s = (select max(x.at_s) from sensor_reading x where x.sensor_id = s.id);
update sensor s set
  last_temperature_c = (select x.temperature_c from sensor_reading x where x.sensor_id = s.id and x.at_s = s.last_s),
  last_humidity_percent =
    (select x.humidity_percent from sensor_reading x where x.sensor_id = s.id and x.at_s = s.last_s);

-- prints that went into a bath
create view wash_begun as select id, first_at as at from finishing where first_at is not null;

-- what movements add up to, kept with them: every page asks for it
alter table stock_item add column on_hand double precision default 0 not null;
alter table stock_item add column first_moved_at timestamp(6) with time zone;
alter table stock_item add column last_moved_at timestamp(6) with time zone;
update stock_item i set
  on_hand = coalesce((select sum(m.quantity) from stock_movement m where m.item_id = i.id), 0),
  first_moved_at = (select min(m.at) from stock_movement m where m.item_id = i.id),
  last_moved_at = (select max(m.at) from stock_movement m where m.item_id = i.id);
create index run_ended on run (ended_at);

-- who moved something in the stores
create view stock_mover as
select e.subject_id as movement_id, p.name from log_entry e join person p on p.id = e.person_id
where e.subject_kind = 'STOCK';

create index run_withdrawn on run (withdrawn, machine_id);
create view run_not_ended as
select id, machine_id, job, started_at from run where withdrawn
union all
select id, machine_id, job, started_at from run where ended_at is null and not withdrawn;

create view part_model_card as
select id, code, kind, name, revision, source, pixels_x, pixels_y, width_mm, depth_mm, price from part_model;
create view part_model_fit as select part_model_id, machine_model_id from part_model_fits;

-- what a service says in full, as JSON
create view service_said as
select id, machine_id, vat_id, at, kind, clean, content, note from service where not withdrawn;
-- presumed causes that no print has borne out yet
create view cause_open as select machine_id, failure_id, cause from open_cause;
create view room_read as select id, room_id, at, temperature_c from room_reading where not withdrawn;
create view room_hour as
select x.sensor_id, x.at_s, s.room_id, x.temperature_c from sensor_rollup x join sensor s on s.id = x.sensor_id
where x.span_s = 3600 and x.temperature_c is not null and s.room_id is not null;
create view guide_done as
select id, procedure_code, machine_id, started_at, finished_at from guide_session where finished_at is not null;
create view film_pack_card as select id, code, supplier, lot from film_pack;

create view air_part_name as select id, name from air_part;
create view finishing_begun as select run_id from finishing;
create view stock_card as select id, code, name, unit, retired_at from stock_item;
-- what a machine did since it is on record, and what is in its vat
create view machine_done as
select m.id as machine_id, s.vat_resin as resin, t.hours, t.layers from machine m
left join machine_standing s on s.machine_id = m.id
left join meter t on t.scope = 'MACHINE' and t.owner_id = m.id;

-- whether what a part had done before it came on record is known; nothing told it apart from new before
alter table component add column hours_known boolean default true not null;

-- every part that ever was, with what it fits or fitted (where it is or was, else its own model, else the first machine
-- that its model of part fits), where it is or was last, and what it has been through
drop view part_ever;
drop view part_aged;
create view part_ever as
select c.id, c.number, c.kind, c.code, coalesce(o.code, vo.code, mo.code, po.code) as model,
  coalesce(o.name, vo.name, mo.name, po.name) as model_name,
  coalesce(o.kind, vo.kind, mo.kind, po.kind) as machine_kind, c.hours_known as known,
  case when l.removed_at is null then coalesce(m.code, vm.code) end as machine,
  case when l.removed_at is null then v.code end as vat, l.fitted_at, c.ended_at, c.end_reason,
  coalesce(t.hours, 0) + c.baseline_hours as hours, coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours,
  coalesce(t.layers, 0) + c.baseline_layers as layers,
  coalesce(m.name, 'vat ' || v.code) as place, v.code as last_vat,
  coalesce(l.removed_at is null and l.id is not null, false) as fitted, coalesce(m.id, (
    select max(x.machine_id) from fitting x where x.component_id = v.id and x.machine_id is not null
    and x.fitted_at <= c.ended_at and (x.removed_at is null or x.removed_at >= c.ended_at))) as ended_on
from component c
left join fitting l on l.id = (select max(x.id) from fitting x where x.component_id = c.id)
left join component v on v.id = l.vat_id left join machine_model vo on vo.id = v.model_id
left join fitting vf on vf.component_id = v.id and vf.removed_at is null left join machine vm on vm.id = vf.machine_id
left join machine m on m.id = l.machine_id left join machine_model mo on mo.id = m.model_id
left join machine_model o on o.id = c.model_id
left join machine_model po on po.id = (
  select min(x.machine_model_id) from part_model_fits x where x.part_model_id = c.part_model_id)
left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
where not c.withdrawn and c.kind <> 'VAT';

-- films and screens of these
create view part_aged as
select id, number, kind, code, model_name as model, machine_kind, hours, uv_hours, layers, ended_at, end_reason, place,
  last_vat as vat, fitted, ended_on, known
from part_ever where kind in ('FILM', 'SCREEN');

-- which item of the stores procedures book from, by kind; without an item it is not counted
create table booking_choice (
  kind varchar(20) primary key,
  item_id bigint references stock_item,
  chosen_at timestamp(6) with time zone not null,
  person_id bigint not null references person
);

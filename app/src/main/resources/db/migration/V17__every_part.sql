-- every part that ever was, with what it fits or fitted, where it is or was last, and what it has been through
create view part_ever as
select c.id, c.number, c.kind, c.code, coalesce(o.code, vo.code, mo.code) as model,
  coalesce(o.name, vo.name, mo.name) as model_name, coalesce(o.kind, vo.kind, mo.kind) as machine_kind,
  case when l.removed_at is null then coalesce(m.code, vm.code) end as machine,
  case when l.removed_at is null then v.code end as vat, l.fitted_at, c.ended_at, c.end_reason,
  coalesce(t.hours, 0) + c.baseline_hours as hours, coalesce(t.uv_hours, 0) + c.baseline_uv_hours as uv_hours,
  coalesce(t.layers, 0) + c.baseline_layers as layers
from component c
left join fitting l on l.id = (select max(x.id) from fitting x where x.component_id = c.id)
left join component v on v.id = l.vat_id left join machine_model vo on vo.id = v.model_id
left join fitting vf on vf.component_id = v.id and vf.removed_at is null left join machine vm on vm.id = vf.machine_id
left join machine m on m.id = l.machine_id left join machine_model mo on mo.id = m.model_id
left join machine_model o on o.id = c.model_id
left join meter t on t.scope = 'COMPONENT' and t.owner_id = c.id
where not c.withdrawn and c.kind <> 'VAT';

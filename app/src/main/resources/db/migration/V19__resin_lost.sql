-- resin that was thrown away, wiped up or lost at a clean-up, and which it was
alter table service add column lost_ml double precision;
alter table service add column lost_resin_id bigint references resin;

-- a pour back into a bottle that was written with a service goes with it
drop view vat_poured;
alter table pour add column service_id bigint references service;
create index pour_service on pour (service_id);
create view vat_poured as
select v.id as vat_id, x.resin_id
from component v join pour x on x.id = (
  select p.id from pour p use index (pour_last) where p.vat_id = v.id and not p.withdrawn
  order by p.vat_id, p.at desc, p.id desc fetch first row only)
where v.kind = 'VAT';

create or replace view service_done as
select id, kind, machine_id, vat_id, at, clean, emptied, leak, sieved, deburred, firmware, readings, resin_left_ml,
  drying_until, note, lost_ml, lost_resin_id
from service where not withdrawn;

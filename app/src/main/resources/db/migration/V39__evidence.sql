-- by which a maker or supplier knows a machine
alter table machine add column serial varchar(60);
alter table machine add column bought_on date;
alter table machine add column warranty_until date;
create view machine_identity as
select m.id, m.code, m.serial, m.bought_on, m.warranty_until, f.firmware
from machine m left join machine_firmware f on f.machine_id = m.id;
-- what stands on a pack of film and on a bottle
create view film_pack_label as
select id, code, supplier, lot, material, thickness_mm, sheets, spoiled, price, at from film_pack;
create view bottle_label as
select b.id, b.code, r.code as resin, r.name as resin_name, b.lot, b.full_ml, b.price, b.at, b.opened_at, b.expires_on
from bottle b join resin r on r.id = b.resin_id;

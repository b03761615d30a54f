-- how films looked when somebody inspected them, for all who judge their condition
create view film_seen as
select id, film_id, at, clouding, transmittance from film_look where not withdrawn;

create view film_marked as
select m.id, m.look_id, l.film_id, m.kind, m.x_mm, m.y_mm, m.size_mm
from film_mark m join film_look l on l.id = m.look_id and not l.withdrawn;

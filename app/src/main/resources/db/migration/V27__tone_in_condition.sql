-- the latest tone of each film that is in a vat, beside the reference of the vat's model and the film's thickness
create view film_heard as
select t.id, t.film_id, t.at, t.fundamental_hz, t.stress_mpa, t.temperature_c, r.hz as reference_hz,
  r.temperature_c as reference_c
from film_tone t join component c on c.id = t.film_id
join fitting f on f.component_id = t.film_id and f.removed_at is null
join component v on v.id = f.vat_id
join tone_reference r on r.id = (select max(x.id) from tone_reference x where x.model_id = v.model_id
  and round(1000 * x.thickness_mm) = round(1000 * c.thickness_mm))
where not t.withdrawn and not exists (select 1 from film_tone y where y.film_id = t.film_id and not y.withdrawn
  and (y.at > t.at or y.at = t.at and y.id > t.id));

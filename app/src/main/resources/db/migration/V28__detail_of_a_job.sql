-- how much detail a job needs, said with it; null where nobody said
alter table run add column detail varchar(8);
alter table run add constraint run_detail check (detail is null or detail in ('ROUGH', 'USUAL', 'FINE'));
create or replace view run_fact as
select id, machine_id, job, started_at, ended_at, layers, layer_exposure_s, resin_ml, outcome, reached_layer,
  profile_version_id, again_of, period, job_key, hours, peels, uv_hours, used_ml, came_out, detail
from run where not withdrawn;

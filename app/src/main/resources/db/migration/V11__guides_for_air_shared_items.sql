-- a guide may be for a part in the path of the air
alter table guide_session add column air_part_id bigint references air_part;
create index guide_session_air_part on guide_session (air_part_id);

-- items whose use is a cost of all prints
alter table stock_item add column shared boolean not null default false;
update stock_item set shared = true where per_run is not null and spare_kind is null;

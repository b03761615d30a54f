-- one line may write several things: they are taken back together, by the first of them
alter table quick_entry add column first_id bigint references quick_entry;
create index quick_entry_first on quick_entry (first_id);
-- what was written may be known by the code of what it is of, too
alter table quick_entry add column subject_code varchar(60);

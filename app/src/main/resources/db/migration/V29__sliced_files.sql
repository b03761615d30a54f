-- sliced files that were read: what was found, by the hash of what is in them; the files themselves are not kept
create table sliced_file (
  hash varchar(64) primary key,
  name varchar(200) not null,
  machine_id bigint references machine,
  checked_at timestamp(6) with time zone not null,
  person_id bigint not null references person,
  report character large object not null
);

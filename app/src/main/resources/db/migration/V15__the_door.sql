-- who is let in, and how far

-- counts what ends the sessions that were opened before: a new password, a new PIN
alter table person add column door int default 0 not null;

-- a token may less than its maker, for a time
alter table api_token add column scope varchar(10) default 'ALL' not null;
alter table api_token add column ends_at timestamp(3) with time zone;
alter table api_token add column last_used_at timestamp(3) with time zone;

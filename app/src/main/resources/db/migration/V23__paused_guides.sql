-- a guide that somebody paused: time since then is no work
alter table guide_session add column paused_at timestamp(6) with time zone;

-- seconds of work in a guide, pauses taken out; null for those of earlier releases, which did not count them
alter table guide_session add column worked_seconds double precision;

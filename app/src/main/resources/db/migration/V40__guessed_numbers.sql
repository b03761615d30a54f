-- Numbers of a run that nobody knew and that were reckoned from how long it went.
alter table run add column layers_guessed boolean default false not null;
alter table run add column exposure_guessed boolean default false not null;
alter table run add column resin_guessed boolean default false not null;

-- An audit is written in portions; it counts once all of it is there.
alter table audit add column whole boolean not null default true;

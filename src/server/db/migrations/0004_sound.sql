-- Facts are known by what the readers that made them were built of.
drop table facts;
create table facts (
  path text not null,
  hash text not null,
  reader text not null,
  body text not null,
  primary key (path, hash, reader)
);

-- Audits that run, by the server that runs them. What is left when a server has gone was interrupted.
create table running_audit (
  project_id text primary key references project (id) on delete cascade,
  server text not null,
  seen_at timestamptz not null default now()
);

create table project (
  id text primary key,
  name text not null,
  root text not null unique,
  created_at timestamptz not null default now()
);

create table audit (
  id bigint generated always as identity primary key,
  project_id text not null references project (id) on delete cascade,
  finished_at timestamptz not null default now(),
  milliseconds integer not null,
  files integer not null,
  components integer not null,
  languages jsonb not null,
  errors integer not null,
  warnings integer not null,
  notes integer not null,
  silenced integer not null,
  problems jsonb not null,
  skipped jsonb not null,
  config jsonb not null
);

create index audit_by_project on audit (project_id, id desc);

-- Texts by content hash: an old audit shows the code that it judged.
create table source (
  hash text primary key,
  body text not null
);

create table audit_file (
  audit_id bigint not null references audit (id) on delete cascade,
  path text not null,
  hash text not null references source (hash),
  primary key (audit_id, path)
);

create table finding (
  audit_id bigint not null references audit (id) on delete cascade,
  ordinal integer not null,
  fingerprint text not null,
  rule text not null,
  level text not null,
  body jsonb not null,
  primary key (audit_id, ordinal)
);

-- Facts by content and reader version, so that unchanged files are not read again.
create table facts (
  path text not null,
  hash text not null,
  version integer not null,
  body text not null,
  primary key (path, hash, version)
);

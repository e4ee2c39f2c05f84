-- What people decided about findings. A decision outlives audits: it is kept by the finding's fingerprint.
create table decision (
  project_id text not null references project (id) on delete cascade,
  fingerprint text not null,
  verdict text not null check (verdict in ('accepted', 'false alarm')),
  reason text not null,
  decided_at timestamptz not null default now(),
  primary key (project_id, fingerprint)
);

create index finding_by_fingerprint on finding (audit_id, fingerprint);

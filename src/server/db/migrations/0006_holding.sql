-- A row holds from one audit of its project on, up to the one that it no longer holds for, so that an audit again costs what
-- has changed.
alter table audit_file rename column audit_id to since;
alter table audit_file add column until bigint;
alter table audit_file add column project_id text references project (id) on delete cascade;
update audit_file set project_id = audit.project_id from audit where audit.id = since;
update audit_file set until =
  (select min(id) from audit where audit.project_id = audit_file.project_id and id > since);
alter table audit_file alter column project_id set not null;
create index audit_file_by_path on audit_file (project_id, path);

alter table finding rename column audit_id to since;
alter table finding rename column ordinal to number;
alter table finding add column until bigint;
alter table finding add column project_id text references project (id) on delete cascade;
update finding set project_id = audit.project_id from audit where audit.id = since;
update finding set until = (select min(id) from audit where audit.project_id = finding.project_id and id > since);
alter table finding alter column project_id set not null;
drop index finding_by_fingerprint;
create index finding_by_fingerprint on finding (project_id, fingerprint);

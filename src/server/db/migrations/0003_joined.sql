-- How much of what is written an audit joined to what it names; audits before this did not count it.
alter table audit add column joined jsonb;

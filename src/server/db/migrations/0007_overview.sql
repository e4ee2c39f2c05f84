-- What the overview of an audit says, kept once it was worked out: it is there before the project is linked again.
alter table audit add column overview text;

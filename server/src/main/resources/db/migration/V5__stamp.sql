-- A hash of the benchmark files that judged a measurement; null where it was recorded before they were stamped.
alter table measurement add column benchmarks varchar(16);
alter table measurement alter column core_version set data type varchar(60);

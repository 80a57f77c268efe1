-- The tests chosen for a visit, codes joined by commas; null for all of them.
alter table visit add column tests varchar(2000);

-- What was remarked at a test.
alter table measurement add column note varchar(400);

-- Sets of tests that a practice makes again and again.
create table test_set (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    name varchar(100) not null,
    methods varchar(2000) not null,
    version integer not null
);
create index test_set_by_practice on test_set (practice_id, name);

-- Whoever was alone until now owns the practice. Sign-ins are looked up in small letters.
update person set role = 'OWNER';
update person set email = lower(email)
    where not exists (select 1 from person other where other.email = lower(person.email) and other.id <> person.id);

alter table practice add column closed_at timestamp with time zone;

-- A grower reads the fields of one grower. What was signed in with an earlier sign_in_version is signed in no more.
-- second_factor: the authenticator's secret; factor_step: the last step that was used; recovery: hashes joined by commas.
alter table person add column grower_id uuid references grower (id);
alter table person add column must_change boolean default false not null;
alter table person add column sign_in_version integer default 0 not null;
alter table person add column second_factor varchar(64);
alter table person add column factor_step bigint;
alter table person add column recovery varchar(1000);
alter table person add column removed_at timestamp with time zone;
alter table person add column version integer default 1 not null;
create index person_by_practice on person (practice_id, name);
create index person_by_grower on person (grower_id);

-- An address that works once: for somebody new, or (person_id) to choose a new password. Only a hash of it is kept.
create table invitation (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    person_id uuid references person (id),
    email varchar(200) not null,
    name varchar(200) not null,
    role varchar(20) not null,
    grower_id uuid references grower (id),
    secret_hash varchar(64) not null unique,
    made_by uuid not null,
    made_at timestamp with time zone not null,
    expires_at timestamp with time zone not null,
    used_at timestamp with time zone
);
create index invitation_by_practice on invitation (practice_id, made_at);

-- Visits that a helper records at.
create table visit_helper (
    visit_id uuid not null references visit (id),
    practice_id uuid not null references practice (id),
    person_id uuid not null references person (id),
    primary key (visit_id, person_id)
);
create index visit_helper_by_person on visit_helper (person_id);
create index visit_helper_by_practice on visit_helper (practice_id);

create index audit_entry_by_practice on audit_entry (practice_id, id);

-- Settings of a practice: the school that a sheet opens with, the hemisphere where no stop has a position (null: taken from
-- the positions), the sign before amounts of money.
alter table practice add column sheet_school varchar(20) default 'flags' not null;
alter table practice add column hemisphere varchar(10);
alter table practice add column currency varchar(8);
alter table practice add column version integer default 1 not null;

-- Curves and bands of a practice's own, over those that ship, in the form of the data files. From the first one on its
-- indicators are judged by what is in force now.
create table practice_rules (
    practice_id uuid primary key references practice (id),
    content varchar(100000) not null,
    version integer not null,
    changed_at timestamp with time zone not null
);

-- Servers at work on these data, each with when it was last heard of; and whose the long work is that is under way.
create table server (
    id uuid primary key,
    seen_at timestamp with time zone not null
);
alter table job add column server_id uuid;
alter table import_run add column server_id uuid;

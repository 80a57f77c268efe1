-- Whom bags of soil are sent to. Prices by test and how its files of results are read, as JSON.
create table laboratory (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    name varchar(200) not null,
    contact varchar(400),
    simulated boolean not null,
    prices varchar(4000) not null,
    reading varchar(20000),
    version integer not null
);
create index laboratory_by_practice on laboratory (practice_id, name);

-- Bags sent together. Their list stands in the bags.
create table dispatch (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    laboratory_id uuid not null references laboratory (id),
    sent_at timestamp with time zone not null,
    note varchar(400),
    version integer not null
);
create index dispatch_by_practice on dispatch (practice_id, sent_at);

-- A composite in its bag: from which stops of which visit (ids joined by commas, the first is where its figures count),
-- for which tests (codes joined by commas), and what came of it.
create table bag (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    code varchar(12) not null,
    stop_ids varchar(4000) not null,
    depth_top_mm double precision not null,
    depth_bottom_mm double precision not null,
    taken_at timestamp with time zone not null,
    sampler varchar(200) not null,
    tests varchar(400) not null,
    cores integer,
    note varchar(400),
    dispatch_id uuid references dispatch (id),
    measurement_id uuid references measurement (id),
    version integer not null,
    unique (practice_id, code)
);
create index bag_by_practice on bag (practice_id, taken_at);
create index bag_by_dispatch on bag (dispatch_id);

-- Addresses under which a calendar is read without signing in; only a hash of the secret is kept.
create table calendar_address (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    person_id uuid not null references person (id),
    secret_hash varchar(64) not null unique,
    name varchar(100) not null,
    made_at timestamp with time zone not null,
    read_at timestamp with time zone
);
create index calendar_address_by_practice on calendar_address (practice_id, made_at);

-- When and where archives of a practice are made by themselves.
create table archive_setting (
    practice_id uuid primary key references practice (id),
    nightly boolean not null,
    folder varchar(100) not null,
    keep integer not null,
    last_at timestamp with time zone,
    last_said varchar(400),
    version integer not null
);

-- Work that takes long, so that it can be left and found again. Not part of an archive.
create table job (
    id uuid primary key,
    practice_id uuid not null,
    person_id uuid not null,
    kind varchar(40) not null,
    state varchar(20) not null,
    done bigint not null,
    total bigint not null,
    result varchar(200000),
    started_at timestamp with time zone not null,
    ended_at timestamp with time zone
);
create index job_by_practice on job (practice_id, started_at);

-- What sheets, comparisons and changes over time need beside standings.

alter table indicator_value add column points double precision;
-- by which instrument, key or water it was read
alter table indicator_value add column kind varchar(40);
create index indicator_value_history on indicator_value (field_id, indicator, band, taken_at);

alter table management_event add column cost double precision;
-- ids of the stops it was done at, joined by commas; null for the whole field
alter table management_event add column stop_ids varchar(4000);

-- What is seen beside the tests at a stop on a visit.
create table observation (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    crop_vigour double precision,
    slope_pct double precision,
    rills varchar(10),
    white_crust varchar(10),
    standing_water boolean,
    note varchar(400),
    version integer not null,
    unique (visit_id, stop_id)
);
create index observation_by_field on observation (field_id);

-- What the list of fields shows of each, made again when it is read after a change: the list stays as fast with
-- thousands of fields as with ten.
create table field_strip (
    field_id uuid primary key references field (id),
    practice_id uuid not null references practice (id),
    stale boolean not null,
    name varchar(200) not null,
    grower varchar(200) not null,
    search varchar(2000) not null,
    level varchar(20),
    standing double precision not null,
    last_visit date,
    due_on date,
    content varchar(20000)
);
create index field_strip_stale on field_strip (practice_id, stale);
create index field_strip_by_standing on field_strip (practice_id, standing, name, field_id);
create index field_strip_by_name on field_strip (practice_id, name, field_id);
create index field_strip_by_visit on field_strip (practice_id, last_visit, name, field_id);
create index field_strip_by_due on field_strip (practice_id, due_on, name, field_id);

-- The five bands of each visit, likewise.
create table visit_strip (
    visit_id uuid primary key references visit (id),
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    stale boolean not null,
    bands varchar(8000)
);
create index visit_strip_by_field on visit_strip (field_id, stale);

insert into field_strip (field_id, practice_id, stale, name, grower, search, standing)
select id, practice_id, true, name, '', '', 2 from field;
insert into visit_strip (visit_id, practice_id, field_id, stale)
select id, practice_id, field_id, true from visit;

-- Lists of tests are answered from the index alone: the rows themselves hold long texts.
create index measurement_list on measurement
    (visit_id, practice_id, taken_at, id, stop_id, method, depth_top_mm, depth_bottom_mm);

-- Pictures, kept with the test and the depth they show; never under a public path.
create table photo (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    method varchar(40),
    depth_mm double precision,
    note varchar(400),
    taken_at timestamp with time zone not null,
    type varchar(20) not null,
    size_bytes integer not null,
    content bytea not null
);
create index photo_by_field on photo (field_id, taken_at);
create index photo_by_visit on photo (visit_id);

-- What each test says in the words of the evidence tables, with the newest of each stop and finding marked.
create table sighting (
    measurement_id uuid not null references measurement (id),
    finding varchar(40) not null,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    stop_id uuid not null references stop (id),
    figure double precision,
    state varchar(40),
    taken_at timestamp with time zone not null,
    latest boolean not null,
    primary key (measurement_id, finding)
);
create index sighting_by_field on sighting (field_id, latest);
create index sighting_by_stop on sighting (stop_id, finding);

-- What is planned for a field, and what became of it.
create table action (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    kind varchar(40) not null,
    constraint_code varchar(40),
    calculator varchar(40),
    inputs varchar(8000) not null,
    amount varchar(200),
    cost double precision,
    person varchar(200),
    due_from date,
    due_to date,
    state varchar(20) not null,
    reason varchar(400),
    done_on date,
    actual_rate varchar(100),
    follow_up_on date,
    follow_up varchar(200),
    version integer not null
);
create index action_by_field on action (field_id, kind);

-- What a practice buys, so that a plan knows its strength and price.
create table product (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    name varchar(200) not null,
    calculator varchar(40) not null,
    inputs varchar(2000) not null,
    version integer not null
);
create index product_by_practice on product (practice_id, calculator, name);

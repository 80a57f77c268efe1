-- Everything belongs to a practice; ids are made by the client; SQL is what H2 and PostgreSQL share.

create table practice (
    id uuid primary key,
    name varchar(200) not null,
    created_at timestamp with time zone not null
);

create table person (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    email varchar(200) not null unique,
    name varchar(200) not null,
    role varchar(20) not null,
    password_hash varchar(200) not null,
    units varchar(10) not null,
    theme varchar(10) not null
);

create table grower (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    name varchar(200) not null,
    contact varchar(400),
    version integer not null
);

create table field (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    grower_id uuid not null references grower (id),
    name varchar(200) not null,
    land_use varchar(20) not null,
    crop varchar(60),
    area_ha double precision,
    texture_class varchar(20),
    purpose varchar(20) not null,
    soil_note varchar(400),
    boundary varchar(100000),
    version integer not null
);
create index field_by_practice on field (practice_id, name);

create table stop (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    label varchar(100) not null,
    note varchar(400),
    longitude double precision,
    latitude double precision,
    position integer not null,
    version integer not null
);
create index stop_by_field on stop (field_id, position);

create table visit (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    person_id uuid not null references person (id),
    visited_on date not null,
    soil_moisture varchar(10),
    days_since_rain integer,
    soil_temp_c double precision,
    last_management varchar(400),
    note varchar(2000),
    version integer not null
);
create index visit_by_field on visit (field_id, visited_on);

-- Readings on their way: kept at every change, gone when they have become a measurement.
create table draft (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    method varchar(40) not null,
    depth_top_mm double precision,
    depth_bottom_mm double precision,
    content varchar(200000) not null,
    supersedes uuid,
    updated_at timestamp with time zone not null,
    version integer not null
);
create index draft_by_visit on draft (visit_id);

-- Append-only: a correction is a new row that names the one it supersedes.
create table measurement (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    method varchar(40) not null,
    depth_top_mm double precision,
    depth_bottom_mm double precision,
    readings varchar(200000) not null,
    context varchar(4000) not null,
    evaluation varchar(400000) not null,
    core_version varchar(20) not null,
    taken_at timestamp with time zone not null,
    person_id uuid not null references person (id),
    supersedes uuid unique references measurement (id),
    reason varchar(400),
    recorded_at timestamp with time zone not null
);
create index measurement_by_visit on measurement (visit_id);
create index measurement_by_stop on measurement (stop_id, method);

-- What measurements show, for reading; can be made again from them at any time.
create table indicator_value (
    measurement_id uuid not null references measurement (id),
    indicator varchar(40) not null,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    method varchar(40) not null,
    band varchar(20) not null,
    depth_top_mm double precision,
    depth_bottom_mm double precision,
    standing double precision,
    standing_low double precision,
    standing_high double precision,
    code varchar(40),
    figure double precision,
    figure_low double precision,
    figure_high double precision,
    unit varchar(20),
    taken_at timestamp with time zone not null,
    latest boolean not null,
    primary key (measurement_id, indicator)
);
create index indicator_value_latest on indicator_value (practice_id, latest, field_id);
create index indicator_value_by_field on indicator_value (field_id, latest);
create index indicator_value_by_stop on indicator_value (stop_id, indicator, band);
create index indicator_value_by_visit on indicator_value (visit_id);

create table timer (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    measurement_id uuid not null,
    method varchar(40) not null,
    started_at timestamp with time zone not null,
    stopped_at timestamp with time zone
);
create index timer_running on timer (practice_id, stopped_at);
create index timer_by_measurement on timer (measurement_id);

create table timer_step (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    timer_id uuid not null references timer (id),
    code varchar(40) not null,
    due_at timestamp with time zone not null,
    tolerance_seconds integer not null,
    done_at timestamp with time zone
);
create index timer_step_by_timer on timer_step (timer_id, due_at);

create table management_event (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    happened_on date not null,
    kind varchar(40) not null,
    what varchar(400) not null,
    rate varchar(100),
    version integer not null
);
create index management_event_by_field on management_event (field_id, happened_on);

create table audit_entry (
    id bigint generated always as identity primary key,
    practice_id uuid not null references practice (id),
    person_id uuid not null references person (id),
    at timestamp with time zone not null,
    action varchar(20) not null,
    entity varchar(40) not null,
    entity_id uuid not null,
    detail varchar(1000)
);
create index audit_entry_by_entity on audit_entry (entity_id, at);

-- Sign-ins outlive a restart: the form that Spring Session expects.
create table spring_session (
    primary_id char(36) not null primary key,
    session_id char(36) not null,
    creation_time bigint not null,
    last_access_time bigint not null,
    max_inactive_interval integer not null,
    expiry_time bigint not null,
    principal_name varchar(100)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);

create table spring_session_attributes (
    session_primary_id char(36) not null references spring_session (primary_id) on delete cascade,
    attribute_name varchar(200) not null,
    attribute_bytes bytea not null,
    primary key (session_primary_id, attribute_name)
);

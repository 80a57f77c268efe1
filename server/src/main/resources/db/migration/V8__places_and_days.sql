-- Shapes in a field, as GeoJSON in longitude and latitude.
alter table field alter column boundary set data type varchar(400000);
alter table field add column zones varchar(400000);
alter table field add column avoid varchar(100000);

-- A stop can be a line: from its place to this one. A retired stop is walked no more; what was read there stays.
alter table stop add column end_longitude double precision;
alter table stop add column end_latitude double precision;
alter table stop add column retired_on date;

-- Where somebody stood for a stop on a visit. Append-only.
create table fix (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    visit_id uuid not null references visit (id),
    stop_id uuid not null references stop (id),
    longitude double precision not null,
    latitude double precision not null,
    accuracy_m double precision not null,
    taken_at timestamp with time zone not null
);
create index fix_by_visit on fix (visit_id, taken_at);

-- Rain as read in a gauge at a field; it wins over what the weather service says.
create table rain_reading (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    field_id uuid not null references field (id),
    fell_on date not null,
    rain_mm double precision not null,
    version integer not null,
    unique (field_id, fell_on)
);

-- A day's work: fields, stops, tests and people as JSON; and what was really done when.
create table day_plan (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    planned_on date not null,
    content varchar(200000) not null,
    version integer not null
);
create index day_plan_by_day on day_plan (practice_id, planned_on);

create table day_mark (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    plan_id uuid not null references day_plan (id),
    stop_id uuid not null references stop (id),
    method varchar(40) not null,
    step integer not null,
    person integer not null,
    begun_at timestamp with time zone not null,
    ended_at timestamp with time zone,
    version integer not null
);
create index day_mark_by_plan on day_mark (plan_id, begun_at);

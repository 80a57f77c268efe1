-- What a picture proposed of a test that was recorded, beside which the hand's changes are counted.
create table photo_reading (
    measurement_id uuid primary key,
    practice_id uuid not null references practice (id),
    kind varchar(20) not null,
    proposed varchar(20000) not null,
    as_proposed integer not null,
    of_all integer not null,
    taken_at timestamp with time zone not null,
    constraint photo_reading_measurement foreign key (measurement_id) references measurement (id)
);
create index photo_reading_of_kind on photo_reading (practice_id, kind, taken_at);

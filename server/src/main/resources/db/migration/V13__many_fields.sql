-- A query names the practice and the field, stop or visit. An index that holds both is taken before one of the practice
-- alone, also by a database that does not know that a practice has many rows and a field few.
create index visit_of_field on visit (field_id, practice_id, visited_on);
drop index visit_by_field;
create index stop_of_field on stop (field_id, practice_id, position);
drop index stop_by_field;
create index measurement_of_stop on measurement (stop_id, practice_id, method);
drop index measurement_by_stop;
create index indicator_value_of_field on indicator_value (field_id, practice_id, latest);
drop index indicator_value_by_field;
create index indicator_value_of_stop on indicator_value (stop_id, practice_id, indicator, band);
drop index indicator_value_by_stop;
-- the one of the visit alone stays: a reference holds on to it
create index indicator_value_of_visit on indicator_value (visit_id, practice_id);
create index indicator_value_over_years on indicator_value (field_id, practice_id, indicator, band, taken_at);
drop index indicator_value_history;
create index sighting_of_field on sighting (field_id, practice_id, latest);
drop index sighting_by_field;
create index sighting_of_stop on sighting (stop_id, practice_id, finding);
drop index sighting_by_stop;
create index observation_of_field on observation (field_id, practice_id);
drop index observation_by_field;
create index management_event_of_field on management_event (field_id, practice_id, happened_on);
drop index management_event_by_field;
create index action_of_field on action (field_id, practice_id, kind);
drop index action_by_field;
create index visit_strip_of_field on visit_strip (field_id, practice_id, stale);
drop index visit_strip_by_field;

-- What is stale is looked for every few seconds, over all practices.
create index visit_strip_stale on visit_strip (stale);

-- The list of fields is read in the order of an index. A reference to the practice brings an index of the practice alone with
-- it, which would be taken instead: so it is left to the field, which has one.
create table field_strip_anew (
    field_id uuid primary key,
    practice_id uuid not null,
    stale boolean not null,
    name varchar(200) not null,
    grower varchar(200) not null,
    search varchar(2000) not null,
    level varchar(20),
    standing double precision not null,
    last_visit date,
    due_on date,
    content varchar(20000),
    marks bigint default 0 not null
);
create index field_strip_in_order on field_strip_anew (practice_id, standing, name, field_id);
create index field_strip_of_level on field_strip_anew (practice_id, level, standing, name, field_id);
create index field_strip_in_names on field_strip_anew (practice_id, name, field_id);
create index field_strip_in_visits on field_strip_anew (practice_id, last_visit nulls first, name, field_id);
create index field_strip_in_dues on field_strip_anew (practice_id, due_on nulls first, name, field_id);
create index field_strip_to_make on field_strip_anew (stale, practice_id);
insert into field_strip_anew (field_id, practice_id, stale, name, grower, search, level, standing, last_visit, due_on,
        content, marks)
    select field_id, practice_id, stale, name, grower, search, level, standing, last_visit, due_on, content, marks
    from field_strip;
drop table field_strip;
alter table field_strip_anew add constraint field_strip_field foreign key (field_id) references field (id);
alter table field_strip_anew rename to field_strip;

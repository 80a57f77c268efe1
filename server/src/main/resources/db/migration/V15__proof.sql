-- Role without which nobody sees work that takes long.
alter table job add column role varchar(20) default 'ADVISOR' not null;
update job set role = 'OWNER' where kind in ('archive', 'restore', 'judge-anew');

-- SHA-256 of a picture as it is kept, large and small: what a disk spoils is found by it.
alter table photo add column kept_hash varchar(64);

-- What is no finite number was taken in before it was refused: nothing can print it or bring it back.
update field set area_ha = null where area_ha in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update visit set soil_temp_c = null where soil_temp_c in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update draft set depth_top_mm = null where depth_top_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update draft set depth_bottom_mm = null where depth_bottom_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update measurement set depth_top_mm = null where depth_top_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update measurement set depth_bottom_mm = null where depth_bottom_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update indicator_value set depth_top_mm = null where depth_top_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update indicator_value set depth_bottom_mm = null where depth_bottom_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update management_event set cost = null where cost in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update action set cost = null where cost in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update observation set crop_vigour = null where crop_vigour in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update observation set slope_pct = null where slope_pct in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update photo set depth_mm = null where depth_mm in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));
update stop set area_share_pct = null where area_share_pct in (cast('NaN' as double precision), cast('Infinity' as double precision), cast('-Infinity' as double precision));

-- How readings of a practice scatter, as its own readings show: standard deviations on the model scale of the indicator.
create table learned_scatter (
    id uuid primary key,
    practice_id uuid not null references practice (id),
    indicator varchar(60) not null,
    readings integer not null,
    fields integer not null,
    stop double precision not null,
    spot double precision not null,
    visit double precision not null,
    person double precision not null,
    learned_at timestamp with time zone not null,
    constraint learned_scatter_of unique (practice_id, indicator)
);

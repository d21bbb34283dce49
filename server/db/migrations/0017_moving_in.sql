-- Parts of moving in that somebody has said are right. A house that lives here already has moved in.
alter table houses add column settled text[] not null default '{week,stations,people,shelf,knives}';
alter table houses alter column settled set default '{}';

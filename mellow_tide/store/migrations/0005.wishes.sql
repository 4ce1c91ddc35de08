-- wishes: depths by region, as the core's records; likes and dislikes: ids of strokes and tools of the catalogue.
ALTER TABLE client
    ADD COLUMN wishes jsonb NOT NULL DEFAULT '[]',
    ADD COLUMN likes text[] NOT NULL DEFAULT '{}',
    ADD COLUMN dislikes text[] NOT NULL DEFAULT '{}';

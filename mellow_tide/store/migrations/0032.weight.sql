-- Pounds do not fall on whole kilograms: weights are kept to a tenth, so that what is typed is what is shown.

ALTER TABLE client ALTER COLUMN weight_kg TYPE double precision;

-- What comes in of a lubricant and what a session used, entry by entry; the stock is their sum.

CREATE TABLE stock_entry (
    practice_id uuid NOT NULL REFERENCES practice ON DELETE CASCADE,
    entry_id uuid NOT NULL,
    lubricant text NOT NULL CONSTRAINT stock_lubricant_length CHECK (length(lubricant) BETWEEN 1 AND 80),
    millilitres integer NOT NULL,
    session_id uuid,
    entered_at timestamptz NOT NULL,
    PRIMARY KEY (practice_id, entry_id),
    CONSTRAINT stock_session_once UNIQUE (practice_id, session_id),
    FOREIGN KEY (practice_id, session_id) REFERENCES session ON DELETE SET NULL (session_id)
);

ALTER TABLE stock_entry ENABLE ROW LEVEL SECURITY;
ALTER TABLE stock_entry FORCE ROW LEVEL SECURITY;
CREATE POLICY own_stock_entry ON stock_entry USING (practice_id = tide_practice());
GRANT SELECT, INSERT ON stock_entry TO mellow_tide_app;
GRANT UPDATE (session_id) ON stock_entry TO mellow_tide_app;

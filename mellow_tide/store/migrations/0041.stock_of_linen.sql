-- The stock counts linen by the piece, too: an item is a lubricant or a piece of linen, and a session uses several.
ALTER TABLE stock_entry RENAME COLUMN lubricant TO item;
ALTER TABLE stock_entry RENAME COLUMN millilitres TO amount;
ALTER TABLE stock_entry RENAME CONSTRAINT stock_lubricant_length TO stock_item_length;
ALTER TABLE stock_entry DROP CONSTRAINT stock_session_once;
ALTER TABLE stock_entry ADD CONSTRAINT stock_session_once UNIQUE (practice_id, session_id, item);

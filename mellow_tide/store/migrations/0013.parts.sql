-- A region worked in a session is a part: in plans, their versions, flows and events. Sessions keep their ids.

ALTER TABLE session NO FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_step NO FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_version NO FORCE ROW LEVEL SECURITY;
ALTER TABLE flow NO FORCE ROW LEVEL SECURITY;
ALTER TABLE run_event NO FORCE ROW LEVEL SECURITY;

CREATE FUNCTION with_parts(flow jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE
    AS $$ SELECT CASE WHEN flow ? 'stops' THEN flow - 'stops' || jsonb_build_object('parts', flow -> 'stops') ELSE flow END $$;
UPDATE session SET plan = jsonb_set(plan, '{flow}', with_parts(plan -> 'flow'));
UPDATE plan_step SET plan = jsonb_set(plan, '{flow}', with_parts(plan -> 'flow'));
UPDATE plan_version SET plan = jsonb_set(plan, '{flow}', with_parts(plan -> 'flow'));
UPDATE flow SET flow = with_parts(flow);
UPDATE run_event SET event = event - 'stop_id' || jsonb_build_object('part_id', event -> 'stop_id') WHERE event ? 'stop_id';
DROP FUNCTION with_parts(jsonb);

ALTER TABLE session FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_step FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_version FORCE ROW LEVEL SECURITY;
ALTER TABLE flow FORCE ROW LEVEL SECURITY;
ALTER TABLE run_event FORCE ROW LEVEL SECURITY;

-- A brief says which strokes a session has or does without. The shipped flows that do were planned by the same wish.
UPDATE flow SET flow = jsonb_set(flow, '{brief,with_strokes}', wanted.strokes)
    FROM (VALUES
        ('row_by_row', '["point_hold", "stripping"]'::jsonb),
        ('drift_off', '["nerve_stroke", "hair_root_lift"]'::jsonb),
        ('bare_feet', '["hot_towel_press", "metatarsal_spread"]'::jsonb)
    ) AS wanted (origin, strokes)
    WHERE flow.origin = wanted.origin;
UPDATE flow SET flow = jsonb_set(
    flow, '{brief,without_strokes}',
    '["fascial_spread", "skin_rolling", "circular_friction", "cross_fibre_friction", "scapula_lift",
      "forearm_compression", "palm_compression", "knuckling", "held_stretch", "range_of_motion"]'::jsonb
) WHERE origin = 'evening_for_two';

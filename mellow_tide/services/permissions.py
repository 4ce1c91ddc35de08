"""What each may do: one table, by the name of the operation. What is in no row nobody may do."""

from mellow_tide.store.people import MemberRole

OWNERS = frozenset(
    {
        "change_aftercare",
        "change_house",
        "skip_first_step",
        "bring_in_clients",
        "change_practice",
        "change_role",
        "erase_client",
        "end_pairing",
        "invite_person",
        "let_person_go",
        "pair_machine",
        "preview_clients",
        "read_cards",
        "read_columns",
        "withdraw_invitation",
    }
)
"""Who works here and how, and what takes all clients in or out, or one away for good."""

EVERYBODY = frozenset(
    {
        "read_first_steps",
        "read_house",
        "read_hours",
        "change_hours",
        "compare_school",
        "count_stock_anew",
        "keep_self_check",
        "look_at_flow",
        "look_at_plan",
        "find_machines",
        "hold_table",
        "keep_table_heights",
        "let_table_go",
        "read_machine",
        "read_machines",
        "switch_warmer",
        "free_blocked_time",
        "keep_blocked_time",
        "import_calendar",
        "undo_calendar",
        "preview_calendar",
        "make_calendar_feed",
        "name_in_calendar_feed",
        "read_aftercare",
        "read_aftercare_paper",
        "read_calendar_feed",
        "read_day_preparation",
        "read_easings",
        "read_numbers",
        "read_numbers_table",
        "read_passage_other_side",
        "read_preparation",
        "read_stock",
        "tick_prepared",
        "try_house",
        "accept_own_pace",
        "add_client",
        "add_events",
        "add_to_log",
        "answer_day",
        "begin_walk_in",
        "book_session",
        "change_account",
        "change_brief",
        "change_password",
        "compare_brief",
        "compare_flows",
        "compare_version",
        "confirm_second_factor",
        "copy_flow",
        "describe_client",
        "describe_flow",
        "drop_second_factor",
        "edit_flow",
        "find_clients",
        "forget_version",
        "hear_places",
        "judge_answers",
        "judge_headache",
        "keep_flow",
        "keep_off",
        "keep_version",
        "leave_own_pace",
        "let_version_stand",
        "look_at_news",
        "make_intake",
        "mark_visit",
        "merge_clients",
        "move_booking",
        "name_day",
        "name_walk_in",
        "press_foot_switch",
        "propose_second_factor",
        "read_account",
        "read_alternatives",
        "read_booking",
        "read_catalogue",
        "read_client",
        "read_client_paper",
        "read_day",
        "read_difference",
        "read_draft",
        "read_flows",
        "read_follow_ups",
        "read_headache_questions",
        "read_history",
        "read_intake",
        "read_learnt",
        "read_log",
        "read_log_document",
        "read_log_paper",
        "read_me",
        "read_mending",
        "read_most_told",
        "read_own_pace",
        "read_people",
        "read_picks",
        "read_places",
        "read_presses",
        "read_reasons",
        "read_stroke_reasons",
        "read_record_schema",
        "read_run",
        "read_session",
        "read_suggestions",
        "read_table_side",
        "read_versions",
        "read_walk_in_questions",
        "read_whole_record",
        "redo",
        "rename_version",
        "repeat_session",
        "reshape",
        "save_log",
        "set_wish",
        "sign_out_device",
        "take_adjustment",
        "take_back_booking",
        "take_repeat_back",
        "tell_attendance",
        "try_booking",
        "try_move",
        "try_repeat",
        "take_start",
        "tell_where",
        "tick_follow_up",
        "try_adjustment",
        "try_edits",
        "try_start",
        "undo",
        "withdraw_calendar_feed",
        "withdraw_intake",
    }
)
"""The work itself, and one's own account."""

MAY: dict[MemberRole, frozenset[str]] = {"owner": OWNERS | EVERYBODY, "therapist": EVERYBODY}

NOT_IN_DEMO = frozenset(
    {
        "end_pairing",
        "hold_table",
        "let_table_go",
        "pair_machine",
        "switch_warmer",
        "make_calendar_feed",
        "name_in_calendar_feed",
        "withdraw_calendar_feed",
        "change_account",
        "change_password",
        "propose_second_factor",
        "confirm_second_factor",
        "drop_second_factor",
        "sign_out_device",
        "invite_person",
        "withdraw_invitation",
        "change_role",
        "let_person_go",
        "change_practice",
    }
)
"""The demo is everybody's: nobody makes it their own, and nobody moves a machine from it."""


class NotPermitted(Exception):
    """Whoever asks may not do this in this practice."""


class NotInDemo(Exception):
    """Nobody does it in the demo, which is shared."""


def may(role: MemberRole, operation: str) -> bool:
    """Whether somebody with this role may do it."""
    return operation in MAY[role]


def is_for_demo(operation: str) -> bool:
    """Whether it is done in the demo."""
    return operation not in NOT_IN_DEMO

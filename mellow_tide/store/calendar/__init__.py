"""What another calendar reads here, and what came in from one."""

"""What a person enters: one model per bench. The contract for job file, API and web."""

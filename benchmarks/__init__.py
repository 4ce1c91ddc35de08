"""What is promised about speed, each figure beside a reference measured in the same run."""

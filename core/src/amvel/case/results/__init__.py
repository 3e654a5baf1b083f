"""Results of screening tests, one file per group of tests."""

"""What somebody has shown: the envelope that everybody starts with, under every rule.  One file per line of it."""

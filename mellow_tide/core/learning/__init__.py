"""What the visits teach: the pressure that suits a client, and the therapist's own pace."""

#!/bin/sh
# What a Mac starts with a double click.
exec "$(dirname "$0")/loose-echo" "$@"

"""The rules and the computation: arrays and plain values in, arrays and plain values out.

Nothing in here knows a file, a database, the web or a clock.
"""

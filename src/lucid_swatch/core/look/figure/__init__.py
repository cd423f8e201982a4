"""The figure: a look drawn as outlines in true proportion, for every place that shows one."""

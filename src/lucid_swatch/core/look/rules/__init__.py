"""The rules that give points, by measure."""

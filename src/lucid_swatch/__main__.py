"""python -m lucid_swatch"""

from lucid_swatch.cli import main

if __name__ == "__main__":
    main()

"""Files that are made to be taken out, however large they are: written beside the data, sent, and gone."""

import tempfile
from collections.abc import Callable, Iterator
from typing import IO

from fastapi.responses import StreamingResponse

from .context import Context

CHUNK = 1 << 20


def zip_download(context: Context, name: str, write: Callable[[IO[bytes]], None]) -> StreamingResponse:
    """An answer with what a function writes. The file has no name on the disk and goes whatever happens."""
    file = tempfile.TemporaryFile(dir=context.folder.path)  # noqa: SIM115, closed when it is sent
    try:
        write(file)
        size = file.tell()
        file.seek(0)
    except BaseException:
        file.close()
        raise

    def sent() -> Iterator[bytes]:
        with file:
            while chunk := file.read(CHUNK):
                yield chunk

    headers = {"content-disposition": f'attachment; filename="{name}"', "content-length": str(size)}
    return StreamingResponse(sent(), media_type="application/zip", headers=headers)

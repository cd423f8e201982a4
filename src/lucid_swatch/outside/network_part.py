"""The part of a network that one of its outputs needs: what is left out is neither computed nor waited for."""

from typing import Any

from google.protobuf import descriptor_pb2, descriptor_pool, message_factory

_TEXT, _MESSAGE = descriptor_pb2.FieldDescriptorProto.TYPE_STRING, descriptor_pb2.FieldDescriptorProto.TYPE_MESSAGE
_FIELDS: dict[str, list[tuple[str, int, str | None, bool]]] = {
    "Model": [("graph", 7, "Graph", False)],
    "Graph": [("node", 1, "Node", True), ("output", 12, "Value", True)],
    "Node": [("input", 1, None, True), ("output", 2, None, True)],
    "Value": [("name", 1, None, False)],
}
"""What is read of an ONNX file: name, number, message and whether it is repeated. Everything else stays as it is.
Source: onnx.proto3 of the Open Neural Network Exchange, IR version 3 and later."""


def part_for_output(model: bytes, output: int) -> bytes:
    """An ONNX file of one output and the nodes that it needs.

    model: the content of an ONNX file, its nodes in the order they are computed in. output: its place among the
    outputs. IndexError when there is no such output; google.protobuf.message.DecodeError when it is no ONNX file."""
    whole = _model_class()()
    whole.ParseFromString(model)
    graph = whole.graph
    wanted = graph.output[output]
    needed, nodes = {wanted.name}, []
    for node in reversed(graph.node):
        if needed.intersection(node.output):
            needed.update(node.input)
            nodes.append(node)
    kept = [node.SerializeToString() for node in reversed(nodes)]
    value = wanted.SerializeToString()
    del graph.node[:], graph.output[:]
    for node in kept:
        graph.node.add().ParseFromString(node)
    graph.output.add().ParseFromString(value)
    part: bytes = whole.SerializeToString()
    return part


def _model_class() -> Any:
    file = descriptor_pb2.FileDescriptorProto(name="network_part.proto", package="network_part", syntax="proto2")
    for message, fields in _FIELDS.items():
        described = file.message_type.add(name=message)
        for name, number, kind, repeated in fields:
            described.field.add(
                name=name,
                number=number,
                label=3 if repeated else 1,
                type=_MESSAGE if kind else _TEXT,
                type_name=f".network_part.{kind}" if kind else None,
            )
    pool = descriptor_pool.DescriptorPool()
    pool.Add(file)
    return message_factory.GetMessageClass(pool.FindMessageTypeByName("network_part.Model"))

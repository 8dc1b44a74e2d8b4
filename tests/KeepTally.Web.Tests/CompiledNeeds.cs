using System.Reflection.Emit;
using System.Reflection.Metadata;
using System.Reflection.Metadata.Ecma335;
using System.Reflection.PortableExecutable;

namespace KeepTally.Web.Tests;

/// <summary>
/// Which folder needs which other, read from a compiled assembly: a folder is a namespace. It misses only what the compiler
/// folds away, constants and <c>nameof</c>.
/// </summary>
internal sealed class CompiledNeeds
{
    private static readonly OpCode[] OneByte = new OpCode[256];
    private static readonly OpCode[] TwoBytes = new OpCode[256];

    private readonly PEReader _file;
    private readonly MetadataReader _metadata;
    private readonly string _root;

    static CompiledNeeds()
    {
        foreach (var field in typeof(OpCodes).GetFields())
        {
            var code = (OpCode)field.GetValue(null)!;
            (code.Size == 1 ? OneByte : TwoBytes)[code.Value & 0xFF] = code;
        }
    }

    private CompiledNeeds(PEReader file, string root)
    {
        (_file, _root) = (file, root);
        _metadata = file.GetMetadataReader();
    }

    /// <summary>Every need of a folder for another, with the type that has it and the type it needs.</summary>
    /// <param name="assembly">The compiled project.</param>
    /// <param name="root">Its root namespace, whose folder is ".".</param>
    internal static IReadOnlyList<(string From, string To, string By)> Of(string assembly, string root)
    {
        using var file = new PEReader(File.OpenRead(assembly));
        return [.. new CompiledNeeds(file, root).All().Distinct()];
    }

    private IEnumerable<(string From, string To, string By)> All()
    {
        foreach (var handle in _metadata.TypeDefinitions)
        {
            if (FolderOf(handle) is not { } from)
            {
                continue;
            }

            foreach (var needed in Needs(handle))
            {
                if (FolderOf(needed) is { } to && to != from)
                {
                    yield return (from, to, $"{NameOf(handle)}: {NameOf(needed)}");
                }
            }
        }
    }

    private HashSet<TypeDefinitionHandle> Needs(TypeDefinitionHandle handle)
    {
        var found = new HashSet<TypeDefinitionHandle>();
        var types = new Collector(_metadata, found);
        var type = _metadata.GetTypeDefinition(handle);
        Add(type.BaseType, types);
        foreach (var implemented in type.GetInterfaceImplementations())
        {
            Add(_metadata.GetInterfaceImplementation(implemented).Interface, types);
        }

        AddAttributes(type.GetCustomAttributes(), types);
        AddConstraints(type.GetGenericParameters(), types);
        foreach (var each in type.GetFields())
        {
            var field = _metadata.GetFieldDefinition(each);
            field.DecodeSignature(types, null);
            AddAttributes(field.GetCustomAttributes(), types);
        }

        foreach (var each in type.GetProperties())
        {
            AddAttributes(_metadata.GetPropertyDefinition(each).GetCustomAttributes(), types);
        }

        foreach (var each in type.GetMethods())
        {
            var method = _metadata.GetMethodDefinition(each);
            method.DecodeSignature(types, null);
            AddAttributes(method.GetCustomAttributes(), types);
            AddConstraints(method.GetGenericParameters(), types);
            foreach (var parameter in method.GetParameters())
            {
                AddAttributes(_metadata.GetParameter(parameter).GetCustomAttributes(), types);
            }

            if (method.RelativeVirtualAddress != 0)
            {
                AddBody(_file.GetMethodBody(method.RelativeVirtualAddress), types);
            }
        }

        return found;
    }

    private void AddBody(MethodBodyBlock body, Collector types)
    {
        foreach (var region in body.ExceptionRegions)
        {
            Add(region.CatchType, types);
        }

        var reader = body.GetILReader();
        while (reader.RemainingBytes > 0)
        {
            var first = reader.ReadByte();
            var code = first == 0xFE ? TwoBytes[reader.ReadByte()] : OneByte[first];
            switch (code.OperandType)
            {
                case OperandType.InlineNone:
                    break;
                case OperandType.ShortInlineBrTarget or OperandType.ShortInlineI or OperandType.ShortInlineVar:
                    reader.Offset += 1;
                    break;
                case OperandType.InlineVar:
                    reader.Offset += 2;
                    break;
                case OperandType.InlineI8 or OperandType.InlineR:
                    reader.Offset += 8;
                    break;
                case OperandType.InlineSwitch:
                    var targets = reader.ReadInt32();
                    reader.Offset += 4 * targets;
                    break;
                case OperandType.InlineMethod or OperandType.InlineField or OperandType.InlineType or OperandType.InlineTok:
                    Add(MetadataTokens.EntityHandle(reader.ReadInt32()), types);
                    break;
                default:
                    reader.Offset += 4;
                    break;
            }
        }
    }

    private void Add(EntityHandle handle, Collector types)
    {
        if (handle.IsNil)
        {
            return;
        }

        switch (handle.Kind)
        {
            case HandleKind.TypeDefinition:
                types.Found.Add((TypeDefinitionHandle)handle);
                break;
            case HandleKind.TypeSpecification:
                _metadata.GetTypeSpecification((TypeSpecificationHandle)handle).DecodeSignature(types, null);
                break;
            case HandleKind.MethodDefinition:
                types.Found.Add(_metadata.GetMethodDefinition((MethodDefinitionHandle)handle).GetDeclaringType());
                break;
            case HandleKind.FieldDefinition:
                types.Found.Add(_metadata.GetFieldDefinition((FieldDefinitionHandle)handle).GetDeclaringType());
                break;
            case HandleKind.MemberReference:
                Add(_metadata.GetMemberReference((MemberReferenceHandle)handle).Parent, types);
                break;
            case HandleKind.MethodSpecification:
                var generic = _metadata.GetMethodSpecification((MethodSpecificationHandle)handle);
                Add(generic.Method, types);
                generic.DecodeSignature(types, null);
                break;
            default:
                break;
        }
    }

    private void AddAttributes(CustomAttributeHandleCollection attributes, Collector types)
    {
        foreach (var each in attributes)
        {
            Add(_metadata.GetCustomAttribute(each).Constructor, types);
        }
    }

    private void AddConstraints(GenericParameterHandleCollection parameters, Collector types)
    {
        foreach (var constraint in parameters.SelectMany(each => _metadata.GetGenericParameter(each).GetConstraints()))
        {
            Add(_metadata.GetGenericParameterConstraint(constraint).Type, types);
        }
    }

    /// <summary>The outermost type: what the compiler makes of lambdas and iterators is written where that stands.</summary>
    private TypeDefinition Outermost(TypeDefinitionHandle handle)
    {
        var type = _metadata.GetTypeDefinition(handle);
        while (!type.GetDeclaringType().IsNil)
        {
            type = _metadata.GetTypeDefinition(type.GetDeclaringType());
        }

        return type;
    }

    private string NameOf(TypeDefinitionHandle handle) => _metadata.GetString(Outermost(handle).Name);

    private string? FolderOf(TypeDefinitionHandle handle)
    {
        var name = _metadata.GetString(Outermost(handle).Namespace);
        return name == _root ? "."
            : name.StartsWith(_root + ".", StringComparison.Ordinal) ? name[(_root.Length + 1)..].Replace('.', '/')
            : null;
    }

    /// <summary>Collects the types of the assembly that a signature names.</summary>
    private sealed class Collector(MetadataReader metadata, HashSet<TypeDefinitionHandle> found)
        : ISignatureTypeProvider<bool, object?>
    {
        public HashSet<TypeDefinitionHandle> Found { get; } = found;

        public bool GetTypeFromDefinition(MetadataReader reader, TypeDefinitionHandle handle, byte rawTypeKind) =>
            Found.Add(handle);

        public bool GetTypeFromSpecification(
            MetadataReader reader,
            object? genericContext,
            TypeSpecificationHandle handle,
            byte rawTypeKind
        ) => metadata.GetTypeSpecification(handle).DecodeSignature(this, genericContext);

        public bool GetTypeFromReference(MetadataReader reader, TypeReferenceHandle handle, byte rawTypeKind) => false;

        public bool GetPrimitiveType(PrimitiveTypeCode typeCode) => false;

        public bool GetArrayType(bool elementType, ArrayShape shape) => elementType;

        public bool GetSZArrayType(bool elementType) => elementType;

        public bool GetByReferenceType(bool elementType) => elementType;

        public bool GetPointerType(bool elementType) => elementType;

        public bool GetPinnedType(bool elementType) => elementType;

        public bool GetModifiedType(bool modifier, bool unmodifiedType, bool isRequired) => unmodifiedType;

        public bool GetGenericInstantiation(bool genericType, System.Collections.Immutable.ImmutableArray<bool> typeArguments) =>
            genericType;

        public bool GetGenericMethodParameter(object? genericContext, int index) => false;

        public bool GetGenericTypeParameter(object? genericContext, int index) => false;

        public bool GetFunctionPointerType(MethodSignature<bool> signature) => false;
    }
}

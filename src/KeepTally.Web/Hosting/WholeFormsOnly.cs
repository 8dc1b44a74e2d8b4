using System.Reflection;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.Filters;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;

namespace KeepTally.Web.Hosting;

/// <summary>
/// A form that arrives without its fields, or with one that cannot be read, is refused: what is missing is never taken for its
/// default. What a person can get wrong is told by the page itself; this is for forms that no page of ours has sent.
/// </summary>
internal sealed class WholeFormsOnly : IPageFilter
{
    public void OnPageHandlerSelected(PageHandlerSelectedContext context) { }

    public void OnPageHandlerExecuting(PageHandlerExecutingContext context)
    {
        if (HttpMethods.IsPost(context.HttpContext.Request.Method) && context.HandlerMethod is { } handler)
        {
            var known = Known(context);
            if (handler.Parameters.Any(parameter => IsLacking(parameter, known, context.ModelState)))
            {
                context.Result = new BadRequestResult();
            }
        }
    }

    public void OnPageHandlerExecuted(PageHandlerExecutedContext context) { }

    private static bool IsLacking(HandlerParameterDescriptor parameter, Func<string, bool> known, ModelStateDictionary state) =>
        IsPlain(parameter.ParameterType)
            ? (IsNeeded(parameter.ParameterInfo) && !known(parameter.Name))
                || (known(parameter.Name) && state.TryGetValue(parameter.Name, out var entry) && entry.Errors.Count > 0)
            : parameter
                .ParameterType.GetProperties()
                .Any(field => field.IsDefined(typeof(BindRequiredAttribute)) && !known(field.Name));

    /// <summary>A tick that is not set is not sent.</summary>
    private static bool IsNeeded(ParameterInfo parameter) =>
        parameter.IsDefined(typeof(BindRequiredAttribute))
        || (
            parameter.ParameterType.IsValueType
                ? parameter.ParameterType != typeof(bool) && Nullable.GetUnderlyingType(parameter.ParameterType) is null
                : IsNeverNull(parameter)
        );

    private static bool IsNeverNull(ParameterInfo parameter) =>
        new NullabilityInfoContext().Create(parameter).ReadState == NullabilityState.NotNull;

    private static bool IsPlain(Type type)
    {
        var plain = Nullable.GetUnderlyingType(type) ?? type;
        return plain.IsPrimitive || plain.IsEnum || plain == typeof(string);
    }

    private static Func<string, bool> Known(PageHandlerExecutingContext context)
    {
        var request = context.HttpContext.Request;
        var form = request.HasFormContentType ? request.Form : null;
        return name =>
            form?.ContainsKey(name) == true
            || form?.Files.GetFile(name) is not null
            || request.Query.ContainsKey(name)
            || context.RouteData.Values.ContainsKey(name);
    }
}
